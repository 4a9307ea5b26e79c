import { configure } from '@testing-library/react';

// what a query by role finds is in the document; that it is to be seen, the end-to-end tests look at;
// and no test here is about time
configure({ defaultHidden: true, asyncUtilTimeout: 200_000 });

// no style sheet is worked out for each node of each name that is asked for: what is said at the element itself counts
window.getComputedStyle = (element) => (element as HTMLElement).style;
