import { expect, test } from 'vitest';
import { jointKindOf } from '#core/joint/joint-kinds.ts';
import { kindNamed } from '#core/joint/kind-named.ts';
import { CONTROL_CABINET } from '#core/joint/kinds/control-cabinet.ts';
import { SOFT_SEAT_RING } from '#core/joint/kinds/soft-seat-ring.ts';
import { waitsOf } from '#core/joint/waits.ts';
import { usualSeat } from '#core/simulate/usual-seat.ts';

test.each([
  ['collet nut of a 16 series holder, 4 mm', 'collet-nut'],
  ['Retention knob, BT30', 'retention-knob'],
  ['dome heater panel terminal', 'control-cabinet'],
  ['lathe chuck, top jaw screw', 'chuck-jaws'],
  ['Flared tube nut, 3/8', 'flare-fitting'],
  ['Rotor bolt', 'soft-part-clamp'],
  ['something else', null],
])('“%s” speaks of %s', (text, code) => {
  expect(kindNamed(text)).toBe(code);
  if (code !== null) expect(jointKindOf(code)).toBeDefined();
});

test('what is waited for before the rounds, with its source', () => {
  expect(waitsOf(SOFT_SEAT_RING)).toEqual([
    {
      id: 'settled',
      title: 'Seat left to settle',
      minutes: 240,
      source: 'ASME PCC-1, relaxation of gaskets (from memory)',
    },
  ]);
  expect(waitsOf(CONTROL_CABINET)).toEqual([]);
  expect([usualSeat('soft-seat-ring'), usualSeat('collet-nut')]).toEqual(['rubber-lined', 'rigid']);
});
