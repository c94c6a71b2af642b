/** What no attribute of a finished page may hold: pointers by id, and the marks of where they are written. */
// eslint-disable-next-line no-control-regex -- the marks are control characters
export const OURS = /^\s*(entry|site-file):|undefined|\u0001|\u0002/i
