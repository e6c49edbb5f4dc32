/** Whether a reason says nothing. */
export const saysNothing = (why: string): boolean => why.trim() === '';
