import { ORDERS } from '#core/order/orders.ts';
import { DRIVES } from '#core/tool/drive.ts';
import { HEAD_DRIVE_WORDS } from '#wire/words/head-drive.ts';
import { ORDER_WORDS } from '#wire/words/order.ts';
import { LoneChoice } from '../../kit/form/LoneChoice.tsx';
import { LoneField } from '../../kit/form/LoneField.tsx';
import { Tick } from '../../kit/Tick.tsx';
import type { KindDraft } from './kind-draft.ts';

type Props = { readonly draft: KindDraft; readonly onChange: (part: Partial<KindDraft>) => void };

/** What a kind of joint is called, and in which order and passes it is worked, as it is written. */
export const KindFields = ({ draft, onChange }: Props) => {
  const word = (part: Partial<KindDraft['words']>): void => onChange({ words: { ...draft.words, ...part } });
  return (
    <div className="grid gap-3 sm:grid-cols-2 lg:grid-cols-3">
      <LoneField label="Name" text={draft.name} onText={(name) => onChange({ name })} maxLength={80} />
      <LoneField
        label="One of its fasteners is called"
        text={draft.words.fastener}
        onText={(fastener) => word({ fastener })}
        maxLength={40}
      />
      <LoneField
        label="Several are called"
        text={draft.words.fasteners}
        onText={(fasteners) => word({ fasteners })}
        maxLength={40}
      />
      <LoneChoice
        label="Usual drive"
        value={draft.usualDrive}
        options={DRIVES.map((drive) => [drive, HEAD_DRIVE_WORDS[drive]] as const)}
        onChoose={(usualDrive) => onChange({ usualDrive })}
      />
      <LoneChoice
        label="Order"
        value={draft.order}
        options={ORDERS.map((order) => [order, ORDER_WORDS[order]] as const)}
        onChoose={(order) => onChange({ order })}
      />
      <LoneField
        label="Passes, in percent"
        text={draft.shares}
        onText={(shares) => onChange({ shares })}
        maxLength={60}
      />
      <LoneField
        label="Where its passes come from (empty: common practice)"
        text={draft.passesSource}
        onText={(passesSource) => onChange({ passesSource })}
        maxLength={160}
      />
      <LoneField
        label="What counts as having moved"
        text={draft.words.moved}
        onText={(moved) => word({ moved })}
        maxLength={120}
      />
      <Tick
        isOn={draft.roundsUntilStill}
        onChange={(roundsUntilStill) => onChange({ roundsUntilStill })}
        className="self-end"
      >
        then rounds until nothing moves
      </Tick>
    </div>
  );
};
