import { Why } from './Why.tsx';

/** Leaves a station out, which needs a word why. */
export const Skip = ({ onSkip, example }: { onSkip: (why: string) => void; example: string }) => (
  <Why opens="Leave this station out …" asks="Why?" says="Leave it out" example={example} quiet onWhy={onSkip} />
);
