/** The rooms a route is worked on in. */
export const routeRooms = ['Script and score', 'About the route', 'Accounts'] as const;
