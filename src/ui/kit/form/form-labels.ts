import { createContext, useContext } from 'react';

/** What the fields of a form are called, by name, for the summary of its errors. */
export const FormLabels = createContext<Map<string, string>>(new Map());

export const useFormLabels = (): Map<string, string> => useContext(FormLabels);
