/** Everything of a drill is on loopback. */
export const HOST = '127.0.0.1';
/** The database of a cell. */
export const DATABASE = 'mansuet';
