import type { Pictured } from '@wire-trail/core';

type Props = Readonly<Pick<Pictured, 'type' | 'data' | 'words'>>;

/** A picture or a clip that was taken on a walk, as it is kept with it. */
export function PicturedView({ type, data, words }: Props) {
  const address = `data:${type};base64,${data}`;
  return (
    <figure className="pictured">
      {type === 'image/jpeg' ? (
        <img src={address} alt={words || 'picture taken on the walk'} />
      ) : (
        <video src={address} controls loop muted playsInline aria-label={words || 'clip taken on the walk'} />
      )}
      {words && <figcaption className="small soft">{words}</figcaption>}
    </figure>
  );
}
