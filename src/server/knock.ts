/** From where somebody knocks: the address they come from, the secret of their device where it has one, and what it calls itself. */
export type Knock = {
  readonly address: string;
  readonly device: string | null;
  readonly agent: string;
};
