/** The page lives from this device's sound and store; there is nothing to show without them. */
export const ssr = false;
