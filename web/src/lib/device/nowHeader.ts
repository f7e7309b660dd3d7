/** The server says its own time, in milliseconds since 1970, with every answer to a device. */
export const NOW_HEADER = 'fendrel-now';
