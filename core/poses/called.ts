import { poses, type PoseId } from './poses';

/** What studios also call a pose, beside its name here and its Sanskrit name. */
const alsoCalled: Readonly<Partial<Record<PoseId, string>>> = {
  staff: 'stick pose, long sit',
  'easy-cross': 'simple seat, tailor’s seat, cross-legged, comfortable seat',
  'stacked-shins': 'fire log, double pigeon, knee to ankle, square, ankle to knee',
  'open-book': 'butterfly, cobbler, bound angle, cobbler’s seat',
  straddle: 'wide legs, dragonfly, seated angle, wide leg seat',
  heron: 'crane leg',
  sundial: 'compass',
  'seated-twist': 'sage twist, seated spinal twist',
  'half-lotus-seat': 'lotus',
  thunderbolt: 'diamond, kneeling seat',
  hero: 'hero’s pose, seated hero, between the heels',
  child: 'child’s pose, wisdom, extended child',
  frog: 'mandala, wide knee child',
  'low-lunge': 'crescent, dragon, kneeling lunge, runner’s lunge',
  lizard: 'dragon flying low, gecko',
  'reclined-hero': 'saddle, supine hero, sleeping hero',
  'reclined-hero-one': 'half saddle, half hero, half reclined hero',
  'reclined-open': 'goddess, reclining butterfly, reclined cobbler, supine bound angle',
  'cats-tail': 'cat pulling its tail, quad stretch lying, side lying quadriceps stretch',
  'crossed-twist': 'eagle legs twist, twisted roots, supine twist',
  'figure-four': 'eye of the needle, thread the needle, reclined pigeon, dead pigeon',
  'leg-up': 'big toe lying, hand to big toe, supine hamstring stretch',
  'happy-baby': 'dead bug, stirrup, blissful baby',
  'legs-wiped': 'windscreen wipers, windshield wipers',
  constructive: 'semi supine, hook lying, active rest',
  rest: 'corpse, final rest, relaxation',
  'standing-fold': 'forward bend, intense stretch, forward fold',
  ragdoll: 'dangling, rag doll, hanging forward',
  'seated-fold': 'caterpillar, seated forward bend, west stretch',
  'head-to-knee': 'half butterfly, one leg forward bend, janu',
  'straddle-fold': 'dragonfly, wide leg forward bend, seated angle fold',
  'open-book-fold': 'butterfly fold, bound angle fold',
  'stacked-fold': 'fire log fold, shoelace fold',
  pigeon: 'sleeping swan, swan, one-legged pigeon, half pigeon',
  squat: 'yogi squat, low squat, deep squat, malasana',
  'side-squat': 'cossack, skandasana, side lunge',
  'wide-fold': 'wide-legged forward bend, spread leg fold, wide standing fold',
  'down-dog': 'downward facing dog, down dog',
  'table-up': 'reverse tabletop, crab',
};

const NOT_CALLED_SO = 4;

/** Letters without their marks, for finding "virasana" in "Vīrāsana". */
export const plain = (words: string) =>
  words.normalize('NFD').replace(/\p{M}/gu, '').replace(/’/g, "'").toLowerCase().trim();

/** Poses called so, in any language that they have names in, the nearest name first; none for less than two letters. */
export function calledSo(sought: string): readonly PoseId[] {
  const wanted = plain(sought);
  if (wanted.length < 2) return [];
  const rank = ({ id, name, sanskrit }: (typeof poses)[number]): number => {
    if (plain(name) === wanted) return 0;
    if (plain(name).startsWith(wanted)) return 1;
    if (plain(`${name} ${sanskrit ?? ''}`).includes(wanted)) return 2;
    return plain(alsoCalled[id] ?? '').includes(wanted) ? 3 : NOT_CALLED_SO;
  };
  return poses
    .map((pose) => ({ id: pose.id, at: rank(pose) }))
    .filter(({ at }) => at < NOT_CALLED_SO)
    .sort((a, b) => a.at - b.at)
    .map(({ id }) => id);
}
