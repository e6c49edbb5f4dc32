import { useState } from 'react';
import { call } from '#client/api.ts';
import type { FromBook } from '#core/spec/book/from-book.ts';
import { OPERATIONS } from '#wire/api.ts';
import type { KeptTable, SearchHit } from '#wire/book.ts';
import type { ProblemDetails } from '#wire/problems/details-shape.ts';
import type { Site } from '#wire/site.ts';
import { useAsked } from '../kit/answer/use-answer.ts';
import { Dialog } from '../kit/Dialog.tsx';
import { ProblemNotice } from '../kit/ProblemNotice.tsx';
import { SearchField } from '../shared/SearchField.tsx';
import { LookUpPanel } from './LookUpPanel.tsx';

type Props = {
  readonly site: Site;
  /** What the value is for, shown while looking. */
  readonly about: string;
  readonly onTake: (taken: FromBook) => void;
  readonly onClose: () => void;
};

type Opened = { readonly kept: KeptTable; readonly row: number | null };

/** Takes a value from the spec book: a requirement that is found, or a row of a table that is looked up. */
export const BookDialog = ({ site, about, onTake, onClose }: Props) => {
  const listed = useAsked(['tables'], () => call(OPERATIONS.listTables, undefined), { isWanted: true });
  const known = useAsked(['sources'], () => call(OPERATIONS.listSources, undefined), { isWanted: true });
  const tables = (listed.value ?? []).filter(({ isWithdrawn }) => !isWithdrawn);
  const [opened, setOpened] = useState<Opened | null>(null);
  const [refused, setRefused] = useState<ProblemDetails | null>(null);
  const problem = refused ?? listed.problem ?? known.problem;
  const open = async (hit: SearchHit): Promise<void> => {
    const kept = tables.find(({ id }) => id === hit.refId);
    if (hit.kind === 'table-row' && kept) return setOpened({ kept, row: hit.row });
    const answer = await call(OPERATIONS.requirement, undefined, { requirement: hit.refId });
    if (answer.ok) onTake(answer.value.fromBook);
    else setRefused(answer.problem);
  };
  const source = known.value?.find(({ id }) => id === opened?.kept.sourceId);
  return (
    <Dialog title={about ? `From the spec book: ${about}` : 'From the spec book'} onClose={onClose}>
      <div className="grid gap-3">
        <ProblemNotice problem={problem} />
        {opened && source ? (
          <>
            <button type="button" className="act-quiet justify-self-start" onClick={() => setOpened(null)}>
              Another table or requirement
            </button>
            <LookUpPanel
              kept={opened.kept}
              source={source}
              site={site}
              firstRow={opened.row}
              onTake={onTake}
            />
          </>
        ) : (
          <>
            <SearchField
              label="Search requirements and tables"
              placeholder="part or size"
              only={({ kind }) => kind === 'requirement' || kind === 'table-row'}
              onOpen={(hit) => void open(hit)}
            />
            <p className="text-s text-faint">Or look a table up:</p>
            <div className="grid gap-2 sm:grid-cols-2">
              {tables.map((kept) => (
                <button
                  key={kept.id}
                  type="button"
                  className="act-quiet justify-start text-left"
                  onClick={() => setOpened({ kept, row: null })}
                >
                  {kept.body.name}
                </button>
              ))}
            </div>
          </>
        )}
      </div>
    </Dialog>
  );
};
