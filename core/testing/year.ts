/** The year of the build, where a test needs one. */
export const YEAR = 2026
