const WAYS = [
  { id: 'list', name: 'From a list', href: '/jobs/new' },
  { id: 'layout', name: 'Laid out here', href: '/jobs/new/layout' },
  { id: 'template', name: 'From a template', href: '/jobs/new/templates' },
  { id: 'one', name: 'Tighten one', href: '/jobs/new/one' },
] as const;

type Props = { readonly way: (typeof WAYS)[number]['id'] };

/** The ways to open a job, and which one this is. */
export const NewJobWays = ({ way }: Props) => (
  <div className="flex flex-wrap items-center justify-between gap-3">
    <h1 className="text-xl font-bold">New job</h1>
    <nav className="flex flex-wrap gap-2" aria-label="Ways to open a job">
      {WAYS.map(({ id, name, href }) => (
        <a
          key={id}
          href={href}
          aria-current={id === way ? 'page' : undefined}
          className="act-quiet aria-[current=page]:border-layout aria-[current=page]:font-bold"
        >
          {name}
        </a>
      ))}
    </nav>
  </div>
);
