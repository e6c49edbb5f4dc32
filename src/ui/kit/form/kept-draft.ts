/** What is typed into a form and not sent yet, in this browser. A browser that keeps nothing loses it with the page, and only then. */
export const keptDraft = (key: string) => ({
  read: (): Readonly<Record<string, unknown>> | null => {
    try {
      const kept: unknown = JSON.parse(localStorage.getItem(key) ?? 'null');
      return typeof kept === 'object' && kept !== null && !Array.isArray(kept) ? { ...kept } : null;
    } catch {
      return null;
    }
  },
  keep: (values: unknown): void => {
    try {
      localStorage.setItem(key, JSON.stringify(values));
    } catch {
      // It stands in the form.
    }
  },
  forget: (): void => {
    try {
      localStorage.removeItem(key);
    } catch {
      // Nothing was kept.
    }
  },
});
