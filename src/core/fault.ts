/** A bug or a lost service: thrown, never returned, and caught only at an endpoint, a worker loop or an error boundary. */
export class Fault extends Error {
  override readonly name = 'Fault';
}

/** The value of a result that cannot be refused here: for literals and tests. Throws: Fault with the refusal. */
export const valueOrThrow = <T>(
  result: { readonly ok: true; readonly value: T } | { readonly ok: false; readonly refusal: unknown },
): T => {
  if (result.ok) return result.value;
  throw new Fault(`refused: ${JSON.stringify(result.refusal)}`);
};
