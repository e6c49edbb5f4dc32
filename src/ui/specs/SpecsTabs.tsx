const TABS = [
  { id: 'requirements', name: 'Requirements', href: '/specs' },
  { id: 'tables', name: 'Tables', href: '/specs/tables' },
  { id: 'sources', name: 'Sources', href: '/specs/sources' },
  { id: 'conflicts', name: 'Disagreements', href: '/specs/conflicts' },
  { id: 'recalls', name: 'Changed values', href: '/specs/recalls' },
] as const;

type Props = { readonly tab: (typeof TABS)[number]['id']; readonly undecided: number };

/** The parts of the spec book; how many disagreements nobody has decided stands beside theirs. */
export const SpecsTabs = ({ tab, undecided }: Props) => (
  <nav aria-label="Spec book" className="-mx-1 flex flex-wrap gap-x-1 border-b border-rule">
    {TABS.map(({ id, name, href }) => (
      <a
        key={id}
        href={href}
        aria-current={id === tab ? 'page' : undefined}
        className="-mb-px flex min-h-11 items-center gap-2 border-b-3 border-transparent px-3 text-ink no-underline aria-[current=page]:border-layout aria-[current=page]:font-bold"
      >
        {name}
        {id === 'conflicts' && undecided > 0 && (
          <strong className="rounded bg-high px-1.5 text-s text-sheet">{undecided}</strong>
        )}
      </a>
    ))}
  </nav>
);
