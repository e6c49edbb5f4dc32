import { useState } from 'react';
import type { JointKind } from '#core/joint/joint-kind.ts';
import { JOINT_KINDS } from '#core/joint/joint-kinds.ts';
import { may } from '#core/people/may.ts';
import type { Person } from '#core/people/person.ts';
import type { OwnKind } from '#wire/joint-kind.ts';
import { ORDER_WORDS, passesWords } from '#wire/words/order.ts';
import { timeHere } from '../../kit/time/here.ts';
import { KindEditor } from './KindEditor.tsx';
import { draftLike, type KindDraft } from './kind-draft.ts';

type Props = { readonly own: readonly OwnKind[]; readonly person: Person };

const Line = ({
  kind,
  said,
  children,
}: {
  readonly kind: JointKind;
  readonly said: string;
  readonly children: React.ReactNode;
}) => (
  <li className="flex flex-wrap items-center justify-between gap-2 border-b border-rule py-2">
    <span className="min-w-0 flex-1 basis-64">
      <strong>{kind.name}</strong> <span className="text-faint">{said}</span>
      <span className="block text-s text-faint">
        {ORDER_WORDS[kind.order]}; {passesWords(kind)}; {kind.steps.length} cautions and steps
      </span>
    </span>
    {children}
  </li>
);

/** The kinds of joint of a site: those that come with the application, and its own, which a lead writes as revisions. */
export const KindsScreen = ({ own: first, person }: Props) => {
  const [own, setOwn] = useState(first);
  const [draft, setDraft] = useState<KindDraft | null>(null);
  const isLead = may(person, 'change-site');
  const kept = (written: OwnKind): void => {
    setOwn([written, ...own.filter(({ kind }) => kind.code !== written.kind.code)]);
    setDraft(null);
  };
  const begin = (words: string, kind: JointKind, isRevision: boolean) =>
    isLead && (
      <button type="button" className="act-quiet" onClick={() => setDraft(draftLike(kind, isRevision))}>
        {words}
      </button>
    );
  if (draft)
    return (
      <div className="mx-auto grid max-w-6xl grid-cols-[minmax(0,1fr)] gap-4">
        <h1 className="text-xl font-bold">Kinds of joint</h1>
        <KindEditor first={draft} onKept={kept} onLeave={() => setDraft(null)} />
      </div>
    );
  return (
    <div className="mx-auto grid max-w-6xl grid-cols-[minmax(0,1fr)] gap-4">
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h1 className="text-xl font-bold">Kinds of joint</h1>
        <a href="/settings" className="act-quiet">
          Settings
        </a>
      </div>
      <section className="panel p-4">
        <h2 className="text-l font-bold">This site’s own</h2>
        {own.length === 0 && (
          <p className="py-2">
            None yet. {isLead ? 'Begin with one that is like it, below.' : 'A lead writes them.'}
          </p>
        )}
        <ul>
          {own.map(({ kind, changedAt, changedBy }) => (
            <Line
              key={kind.code}
              kind={kind as JointKind}
              said={`revision ${kind.revision}, ${timeHere(changedAt)}, ${changedBy}`}
            >
              {begin('Change it', kind as JointKind, true)}
            </Line>
          ))}
        </ul>
      </section>
      <section className="panel p-4">
        <h2 className="text-l font-bold">Those that come with the application</h2>
        <ul>
          {JOINT_KINDS.map((kind) => (
            <Line key={kind.code} kind={kind} said="">
              {begin('Write one like it', kind, false)}
            </Line>
          ))}
        </ul>
      </section>
    </div>
  );
};
