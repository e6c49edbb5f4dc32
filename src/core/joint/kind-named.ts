/** Words that speak of a kind of joint, the more telling kinds first. */
const NAMED: readonly (readonly [code: string, words: readonly string[]])[] = [
  ['collet-nut', ['collet']],
  ['retention-knob', ['retention', 'pull stud', 'knob']],
  ['chuck-jaws', ['jaw']],
  ['flare-fitting', ['flare', 'tube', 'hose', 'brake line']],
  ['separable-connector', ['separable', 'elbow', 'bushing']],
  ['coaxial-connector', ['coax', 'connector', 'waveguide']],
  ['wheel-nuts', ['wheel nut', 'wheel bolt', 'lug nut', 'axle nut']],
  ['busbar', ['busbar', 'bus bar', 'lug']],
  ['panel-screws', ['panel screw', 'self-locking', 'inspection panel', 'nut plate']],
  ['gasketed-plate', ['gasket', 'flange', 'cover plate', 'lining']],
  ['soft-part-clamp', ['clamp', 'rotor', 'stem', 'seat post', 'carbon', 'handlebar']],
  ['soft-seat-ring', ['ring screw', 'soft seat', 'mirror cell']],
  ['torque-to-angle', ['angle']],
  ['control-cabinet', ['terminal', 'breaker', 'relay', 'awg', 'kcmil']],
];

/** The code of the kind of joint that a text speaks of, such as the name of a table or a part; null where it speaks of none. */
export const kindNamed = (text: string): string | null => {
  const plain = text.toLowerCase();
  return NAMED.find(([, words]) => words.some((word) => plain.includes(word)))?.[0] ?? null;
};
