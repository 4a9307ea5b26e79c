import { useAppSelector } from '../../foundation/store.ts';

/** Whether there is a connection, and what is still kept on this device only. */
export function Connection({ className = '' }: { className?: string }) {
  const { online, waiting, refused, storeFails } = useAppSelector((s) => s.sync);
  const words = storeFails
    ? 'this device’s store fails'
    : refused > 0
      ? `${refused} not taken`
      : waiting
        ? `${waiting} kept on this device`
        : online
          ? 'connected'
          : 'no connection';
  const isCalm = !storeFails && refused === 0 && waiting === 0 && online;
  return (
    <span
      className={`tag ${refused > 0 || storeFails ? 'bad' : ''} ${isCalm ? 'hide-narrow' : ''} ${className}`}
      data-waiting={waiting ?? 'not counted'}
    >
      {words}
    </span>
  );
}
