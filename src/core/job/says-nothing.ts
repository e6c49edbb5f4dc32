/** Whether a reason says nothing: it has no letter, digit or sign that anyone can see. */
export const saysNothing = (why: string): boolean => /^[\p{Z}\p{C}]*$/u.test(why);
