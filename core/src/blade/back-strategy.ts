import { BACKS, type Back } from './edge.js';
import { familyFacts, type Family } from './families.js';

/** One way of treating a flat back, for one family. */
interface BackWay {
  readonly back: Back;
  readonly allowed: boolean;
  readonly advised: boolean;
  /** Why; common practice unless it says otherwise. */
  readonly why: string;
}

const FLAT =
  'The whole back polished flat: the best reference, and the most work; hours on a worn or pitted one.';
const RIM =
  'Only the first few millimetres polished, corner to corner, on a back that is flat already: what cuts is sharp, and it is soon done.';
const HOLLOWED =
  'A worn or pitted back hollowed on the wheel behind a rim, far less than flattening all of it: only its rims are polished. Never out to the edge.';
const SHIM =
  'The far end lifted on a thin rule: a polished back bevel of well under a degree in a dozen strokes, in place of hours on the whole back.';
const WHY: Partial<Readonly<Record<Family, Partial<Readonly<Record<Back, string>>>>>> = {
  'low-angle-iron': {
    shim: `${SHIM} Bevel up, the back faces the wood: what the shim adds comes off the clearance, so keep it small.`,
  },
};
const REFUSED =
  'A chisel registers on its flat back: lifted on a shim, it would no longer pare flat or follow a line. Its back is never bevelled.';
const ADVISED: Partial<Readonly<Record<Family, Back>>> = { 'plane-iron': 'shim' };

/**
 * The ways to treat the back of a family's edge; none for edges without a flat back. The shim is
 * refused for every tool that registers on its back. Common practice, no source.
 */
export function backStrategy(family: Family): readonly BackWay[] {
  const { form, backRegisters } = familyFacts(family);
  if (form !== 'single-bevel') return [];
  const usual = { flat: FLAT, rim: RIM, hollowed: HOLLOWED, shim: SHIM };
  const advised = ADVISED[family] ?? 'rim';
  return BACKS.map((back) => {
    const refused = back === 'shim' && backRegisters;
    return {
      back,
      allowed: !refused,
      advised: back === advised,
      why: refused ? REFUSED : (WHY[family]?.[back] ?? usual[back]),
    };
  });
}
