/** The page without anything in it: the service worker answers with it for a visit's address when there is no server. */
export const ssr = false;
