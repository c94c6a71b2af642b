/** The year that copyright lines run to, by the clock of this machine. */
export const thisYear = (): number => new Date().getFullYear()
