/** Waits until the window had its turn: what is typed, clicked and painted comes between two tasks. */
export const nextTask = (): Promise<void> => new Promise((resolve) => setTimeout(resolve))
