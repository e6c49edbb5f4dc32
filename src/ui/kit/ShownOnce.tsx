import type { ReactNode } from 'react';

type Props = {
  /** What one does with it, before the page is left. */
  readonly doNow: string;
  readonly label: string;
  readonly secret: string;
  readonly children?: ReactNode;
};

/** A secret on the one page that ever shows it, taken whole at a touch. */
export const ShownOnce = ({ doNow, label, secret, children }: Props) => (
  <div className="grid gap-1 border-l-4 border-low pl-3" data-testid="secret">
    <strong>{doNow}: it is not shown again.</strong>
    <input
      className="field font-mono text-s"
      readOnly
      aria-label={label}
      value={secret}
      onFocus={(event) => event.target.select()}
    />
    {children}
  </div>
);
