import { type BoardGroup, changeBoard, changeGroup } from '#client/layout/board-store.ts';
import { type Board, reordered } from '#core/layout/board.ts';
import { orderReport } from '#core/order/order-report.ts';
import { ORDERS } from '#core/order/orders.ts';
import { ORDER_WORDS, orderReportWords } from '#wire/words/order.ts';
import { LoneChoice } from '../kit/form/LoneChoice.tsx';
import { OrderList } from './OrderList.tsx';

type Props = {
  readonly group: BoardGroup;
  /** The fasteners of the group, in their order. */
  readonly own: Board;
  readonly onChoose: (id: string) => void;
};

/** Up to so many are held against the best order while they are dragged about. */
const REPORTED_MOST = 400;

/** In which order they are worked: by one of the patterns, or one's own by dragging, and how it compares. */
export const OrderChoice = ({ group, own, onChoose }: Props) => {
  const report = own.length > 1 && own.length <= REPORTED_MOST ? orderReport(own) : null;
  return (
    <div className="grid gap-3">
      <LoneChoice
        label="Order"
        name="order"
        value={group.order}
        options={ORDERS.map((order) => [order, ORDER_WORDS[order]] as const)}
        onChoose={(order) => changeGroup({ order })}
      />
      {report && (
        <ul className="grid gap-1 text-s" data-testid="order-report">
          {orderReportWords(report).map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
      )}
      <details>
        <summary className="flex min-h-11 cursor-pointer items-center text-layout underline underline-offset-3">
          The list, to drag into an order of one’s own
        </summary>
        <OrderList
          own={own}
          onChoose={onChoose}
          onMove={(id, before) => {
            changeGroup({ order: 'own' });
            changeBoard((board) => reordered(board, id, before));
          }}
        />
      </details>
    </div>
  );
};
