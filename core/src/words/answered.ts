/** What a controller that was asked for its codes answered. */
export const sweptWords = { codes: 'has codes', 'nothing-stored': 'nothing stored', 'no-answer': 'no answer' } as const;
