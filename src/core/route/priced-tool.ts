import { type Offer, offersOf, type PricedStage, type Prices } from './priced-stage.ts';
import type { RouteProblem } from './route-problem.ts';

/** What it takes more to use a tool at all, and to come to each of its stations in a stage, which are given by their places in the problem. */
export type Forced = { readonly use: number; readonly stations: ReadonlyMap<number, number> };

/** A tool that looks only for what is best for itself: the fewest changes less what it is paid. */
export type PricedTool = {
  /** Works out anew what is best from every standing before every stage. */
  readonly price: (prices: Prices) => void;
  /** What is left to the tool at the least from a stage on, where it was left at a station of the problem, in hand or not. */
  readonly leastFrom: (stage: number, leftAt: number | null, isInHand: boolean) => number;
  /** What it takes more than the best way from a standing on to use the tool in a stage, and to come to a station there that is not the last. */
  readonly forced: (prices: Prices, stage: number, leftAt: number | null, isInHand: boolean) => Forced;
  /** Goes the tool's best way, and tells each stop it does and each stage it is held on into. */
  readonly walk: (prices: Prices, onStop: (stop: number) => void, onHold: (stage: number) => void) => void;
};

const IDLE = 0;
const IN_HAND = 1;

/** One of the tools of a problem, through its stages as they are priced. */
export const pricedTool = (
  { stations, leftAt, inHand }: Pick<RouteProblem, 'stations' | 'leftAt' | 'inHand'>,
  tool: number,
  stages: readonly PricedStage[],
): PricedTool => {
  const own = stations.flatMap((station, index) => (station.tool === tool ? [index] : []));
  const places = new Map(own.map((station, place) => [station, place]));
  const toSet = Float64Array.from(own, (station) => Number(stations[station]?.isDialled));
  const standings = own.length + 1;
  const placesOf = Int32Array.from(stations, (_, station) => places.get(station) ?? own.length);
  const placeOf = (station: number | null): number =>
    station === null ? own.length : (placesOf[station] as number);

  // Stages that offer the tool nothing are passed over: of each stage the offer that is the next.
  const offers = offersOf(places, stages);
  const nextOf = new Int32Array(stages.length + 1).fill(offers.length);
  for (const [turn, { stage }] of offers.entries()) nextOf[stage] = turn;
  for (let stage = stages.length - 1; stage >= 0; stage -= 1)
    nextOf[stage] = Math.min(nextOf[stage] as number, nextOf[stage + 1] as number);

  // By offer, then by where the tool stands before it, then by whether it is in hand: what is left at the least from there on.
  const least = new Float64Array((offers.length + 1) * standings * 2);
  const at = (turn: number, standing: number, held: number): number =>
    (turn * standings + standing) * 2 + held;
  /** In hand after one offer, the tool is held on into the next only where that is of the next stage. */
  const heldInto = (turn: number): number =>
    Number(offers[turn + 1]?.stage === (offers[turn] as Offer).stage + 1);
  const isShared = (turn: number): number => Number(stages[(offers[turn] as Offer).stage]?.isShared);

  // Of the offer that is looked at: what each setting is paid, what is lost by ending at it, and what is saved by standing at it before.
  const paid = new Float64Array(own.length);
  const ends = new Float64Array(own.length);
  const saved = new Float64Array(own.length);
  /** What all settings that pay earn together, the tool having stood elsewhere. */
  const look = (offer: Offer, perStop: Float64Array): number => {
    let all = 0;
    for (let index = 0; index < offer.own.length; index += 1) {
      const place = offer.own[index] as number;
      const stops = offer.stops[index] as Int32Array;
      let sum = 0;
      for (let each = 0; each < stops.length; each += 1) sum += perStop[stops[each] as number] as number;
      const left = sum - (toSet[place] as number);
      paid[place] = sum;
      ends[place] = Math.min(0, left);
      saved[place] = sum - Math.max(0, left);
      all += Math.max(0, left);
    }
    return all;
  };

  // By where the tool stands before an offer: what is left where it is used, without its being taken up.
  const used = new Float64Array(standings);
  const use = (turn: number, all: number, heldAfter: number): void => {
    const { own: settings } = offers[turn] as Offer;
    let [best, second, bestPlace] = [Number.POSITIVE_INFINITY, Number.POSITIVE_INFINITY, -1];
    for (let index = 0; index < settings.length; index += 1) {
      const place = settings[index] as number;
      const value = (least[at(turn + 1, place, heldAfter)] as number) - (ends[place] as number);
      if (value < best) {
        second = best;
        best = value;
        bestPlace = place;
      } else if (value < second) second = value;
    }
    used.fill(best - all);
    for (let index = 0; index < settings.length; index += 1) {
      const place = settings[index] as number;
      const other = (place === bestPlace ? second : best) - all - (saved[place] as number);
      const stays = Math.max(paid[place] as number, all + (ends[place] as number));
      used[place] = Math.min(other, (least[at(turn + 1, place, heldAfter)] as number) - stays);
    }
  };

  const price: PricedTool['price'] = ({ perStop, perHold }) => {
    for (let turn = offers.length - 1; turn >= 0; turn -= 1) {
      const offer = offers[turn] as Offer;
      const all = look(offer, perStop);
      use(turn, all, heldInto(turn));
      for (const held of [IDLE, IN_HAND]) {
        if (held === IN_HAND && isShared(turn) === 1) use(turn, all, IDLE);
        const toUse = held === IN_HAND ? (perHold[offer.stage] as number) : 1;
        for (let standing = 0; standing < standings; standing += 1) {
          const rest = least[at(turn + 1, standing, IDLE)] as number;
          // One in hand may be put down and be taken up again.
          const other = held === IN_HAND ? (least[at(turn, standing, IDLE)] as number) : rest;
          least[at(turn, standing, held)] = Math.min(other, toUse + (used[standing] as number));
        }
      }
    }
  };

  /** The best use of an offer from a standing: what is left from there on without its being taken up, where it ends, and whether it stays there all the while. */
  const bestUse = (turn: number, standing: number, held: number, all: number) => {
    const { own: settings } = offers[turn] as Offer;
    const heldAfter = held * isShared(turn) === 1 ? IDLE : heldInto(turn);
    const before = settings.includes(standing) ? (saved[standing] as number) : 0;
    let best = { left: Number.POSITIVE_INFINITY, end: -1, isStill: false };
    for (const place of settings) {
      const after = least[at(turn + 1, place, heldAfter)] as number;
      const left = after - all - (ends[place] as number) - (place === standing ? 0 : before);
      if (left < best.left) best = { left, end: place, isStill: false };
      const still = after - (paid[place] as number);
      if (place === standing && still < best.left) best = { left: still, end: place, isStill: true };
    }
    return { ...best, heldAfter };
  };

  const walk: PricedTool['walk'] = ({ perStop }, onStop, onHold) => {
    let standing = placeOf(leftAt[tool] ?? null);
    let isInHand = inHand === tool && offers[0]?.stage === 0;
    for (const [turn, offer] of offers.entries()) {
      const idle = least[at(turn, standing, IDLE)] as number;
      const held = Number(isInHand && (least[at(turn, standing, IN_HAND)] as number) < idle);
      isInHand = false;
      if (held === IDLE && idle >= (least[at(turn + 1, standing, IDLE)] as number)) continue;
      if (held === IN_HAND) onHold(offer.stage);
      const { end, isStill, heldAfter } = bestUse(turn, standing, held, look(offer, perStop));
      for (const [index, place] of offer.own.entries()) {
        const pays = (paid[place] as number) > (place === standing ? 0 : (toSet[place] as number));
        if (place === end || (!isStill && pays))
          for (const stop of offer.stops[index] as Int32Array) onStop(stop);
      }
      standing = end;
      isInHand = heldAfter === IN_HAND;
    }
  };

  const leastFrom: PricedTool['leastFrom'] = (stage, left, isInHand) => {
    const turn = nextOf[stage] as number;
    return least[at(turn, placeOf(left), Number(isInHand && offers[turn]?.stage === stage))] as number;
  };

  const forced: PricedTool['forced'] = ({ perStop, perHold }, stage, left, isInHand) => {
    const turn = nextOf[stage] as number;
    const offer = offers[turn];
    if (offer?.stage !== stage) return { use: 0, stations: new Map() };
    const standing = placeOf(left);
    const all = look(offer, perStop);
    const taken = 1 + bestUse(turn, standing, IDLE, all).left;
    const held = isInHand ? (perHold[stage] as number) + bestUse(turn, standing, IN_HAND, all).left : taken;
    return {
      use: Math.max(0, Math.min(taken, held) - leastFrom(stage, left, isInHand)),
      stations: new Map(
        [...offer.own].map((place) => [
          own[place] as number,
          place === standing ? 0 : -(ends[place] as number),
        ]),
      ),
    };
  };

  return { price, leastFrom, forced, walk };
};
