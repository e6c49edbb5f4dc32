/** What the keys of the bench do, for the list that `?` shows. */
export const BENCH_KEY_HELP: readonly (readonly [string, string])[] = [
  ['Space or Page Down', 'The large action: done, set, clicked, loosened. Pedals and clickers send these.'],
  ['0–9 . then Enter', 'Record a reading in the tool’s unit, or what a step measures'],
  ['Backspace', 'Take back the last digit; with none typed, void the last pull of the fastener in front'],
  ['O', 'Over-shot: it went past the click'],
  ['N or M', 'In a round at full torque, when asked: nothing turned, or it turned'],
  ['Y or Esc', 'When asked about a likely mix-up: the reading stands, or type it again'],
  ['E', 'What else: something went wrong, a note, a photograph, hand over'],
  ['B', 'By feel, no torque tool; stays open'],
  ['W', 'Witness mark drawn on the last one'],
  ['R', 'Go back to the last one and pull it again'],
  ['L', 'What the stripes and dots mean'],
  ['← →', 'Choose another fastener'],
  ['/', 'Search everything'],
  ['G then J, T, P or S', 'Open Jobs, Tools, Specs or Sums'],
  ['?', 'This list'],
];
