import type { Route } from '@wire-trail/core';

/** The tabs a route is worked on in. */
export const routeTabs = ['Script and timeline', 'About the route', 'Descriptions'] as const;

/** One edit of the route, and what it belongs to, for undo. */
export type EditRoute = (change: Partial<Route>, about: string) => void;
