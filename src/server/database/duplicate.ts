const DUPLICATE_KEY = 1062;

/** Runs an insert; false when its unique key is taken. Other errors pass through. */
export const insertedUnlessTaken = async (insert: Promise<unknown>): Promise<boolean> => {
  try {
    await insert;
    return true;
  } catch (error) {
    if ((error as { errno?: number }).errno === DUPLICATE_KEY) return false;
    throw error;
  }
};
