import { call } from '#client/api.ts';
import { TEMPLATE_OPERATIONS } from '#wire/api-templates.ts';
import type { ListedTemplate } from '#wire/template.ts';
import { useAnswer } from '../kit/answer/use-answer.ts';
import { ProblemNotice } from '../kit/ProblemNotice.tsx';
import type { Column } from '../kit/table/column.ts';
import { ListTable } from '../kit/table/ListTable.tsx';
import { timeHere } from '../kit/time/here.ts';
import { NewJobWays } from '../layout/NewJobWays.tsx';

const COLUMNS: readonly Column<ListedTemplate>[] = [
  {
    id: 'title',
    name: 'Assembly',
    cell: ({ id, title }) => (
      <a href={`/jobs/new/templates/${id}`} className="inline-flex min-h-11 items-center font-bold">
        {title}
      </a>
    ),
    value: ({ title }) => title,
    isTitle: true,
  },
  { id: 'kinds', name: 'Joints', cell: ({ kinds }) => kinds.join(', ') },
  {
    id: 'fasteners',
    name: 'Fasteners',
    cell: ({ fasteners }) => fasteners,
    value: ({ fasteners }) => fasteners,
  },
  { id: 'revision', name: 'Revision', cell: ({ revision }) => revision, value: ({ revision }) => revision },
  {
    id: 'changed',
    name: 'Changed',
    cell: ({ changedAt, changedBy }) => `${timeHere(changedAt)}, ${changedBy}`,
    value: ({ changedAt }) => changedAt,
  },
];

/** The assemblies that were planned once and are worked again and again. */
export const TemplatesScreen = ({ templates: first }: { readonly templates: readonly ListedTemplate[] }) => {
  const { value: templates, problem } = useAnswer(
    ['templates'],
    () => call(TEMPLATE_OPERATIONS.listTemplates, undefined),
    first,
  );
  return (
    <div className="mx-auto grid max-w-6xl grid-cols-[minmax(0,1fr)] gap-4">
      <NewJobWays way="template" />
      <ProblemNotice problem={problem} />
      <section className="panel p-4">
        {templates.length === 0 ? (
          <p>
            No template yet. Plan an assembly once, from a list or laid out here; on its Plan press{' '}
            <strong>Keep as a template</strong>. From then on a job is opened from it here, or by the label on
            the assembly.
          </p>
        ) : (
          <ListTable
            caption="templates"
            columns={COLUMNS}
            rows={templates}
            rowId={({ id }) => id}
            searchIn={({ title, kinds }) => `${title} ${kinds.join(' ')}`}
          />
        )}
      </section>
    </div>
  );
};
