/** Hands work to a worker made of `code`, and counts the page's frames from when it has begun until it is done. Runs in the page. */
export async function framesWhile({ code, work }) {
  const worker = new Worker(URL.createObjectURL(new Blob([code], { type: 'text/javascript' })));
  const next = () =>
    new Promise((resolve) => {
      worker.onmessage = ({ data }) => resolve(data);
    });
  const begun = next();
  worker.postMessage(work);
  await begun;
  const done = next();
  let frames = 0;
  let over = false;
  const began = performance.now();
  const count = () => {
    frames += 1;
    if (!over) requestAnimationFrame(count);
  };
  requestAnimationFrame(count);
  const { seconds } = await done;
  over = true;
  return { seconds, framesPerS: frames / ((performance.now() - began) / 1000) };
}
