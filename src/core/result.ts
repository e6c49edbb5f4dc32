/** The outcome of something that can be refused: the value, or the refusal as plain data. */
export type Result<T, Refusal> =
  | { readonly ok: true; readonly value: T }
  | { readonly ok: false; readonly refusal: Refusal };

/** An accepted result. */
export const accepted = <T>(value: T): { readonly ok: true; readonly value: T } => ({
  ok: true,
  value,
});

/** A refused result. */
export const refused = <R>(refusal: R): { readonly ok: false; readonly refusal: R } => ({
  ok: false,
  refusal,
});
