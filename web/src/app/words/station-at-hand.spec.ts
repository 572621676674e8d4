import { TestBed } from '@angular/core/testing';
import type { Edge, GougeEdge, HookEdge } from '@mellow-anvil/core/blade';
import { Figures } from '../ui/figures';
import { textAtHand } from './station-at-hand';
import { feelFor } from './station-words';
import { keptOnStrop } from './strop-words';

const GOUGE: GougeEdge = {
  ...{ form: 'gouge', widthMm: 20, depthMm: 5, thicknessMm: 2.4, cannel: 'out', bevelDeg: 22 },
};
const HOOK: HookEdge = {
  ...{ form: 'hook', make: 'hollow-inside', lengthMm: 55, innerRadiusMm: 22, thicknessMm: 2.6 },
  includedDeg: 25,
};
const CHISEL: Edge = {
  ...{ form: 'single-bevel', widthMm: 20, thicknessMm: 3, primaryDeg: 25, grind: 'flat', back: 'flat' },
  front: { shape: 'straight' },
};

describe('taking off the burr', () => {
  const told = (edge: Edge): string => textAtHand({ kind: 'burr-off' }, edge, (id) => id).does.join(' ');

  it('lays flat on the stone only what is flat: a hollow takes a slip or a rod', () => {
    expect(told(CHISEL)).toContain('Back flat on the finest stone');
    expect(told(GOUGE)).toContain('slip in the hollow');
    expect(told({ ...GOUGE, cannel: 'in' })).toContain('outside flat along the finest stone');
    expect(told(HOOK)).toContain('the rod in the hollow');
    expect(told({ ...HOOK, make: 'bevelled-both-sides' })).toContain('Outside and inside, stroke by stroke');
    for (const edge of [GOUGE, { ...GOUGE, cannel: 'in' } as const, HOOK])
      expect(told(edge)).not.toContain('Back flat');
  });

  it('goes on, lighter, until neither side has any', () => {
    for (const edge of [CHISEL, GOUGE, HOOK])
      expect(told(edge)).toContain('each lighter than the last, until no burr is felt on either side.');
  });
});

describe('a strop after the burr', () => {
  const told = (edge: Edge): string =>
    feelFor(
      undefined,
      { abrasiveId: 'strop', strokes: 20, afterBurr: true },
      [],
      TestBed.inject(Figures),
      edge,
    );

  it('is turned over for a flat blade, rolled for a gouge and followed by its inside, and takes a hook outside only', () => {
    expect(told(CHISEL)).toContain('then turn over');
    expect(told(GOUGE)).toContain('Then the inside, on a ridge or a folded scrap of leather.');
    expect(told(HOOK)).toContain('The outside only');
    for (const edge of [GOUGE, HOOK]) {
      expect(told(edge)).not.toContain('turn over');
      expect(keptOnStrop(edge.form)).not.toContain('turn over');
    }
  });
});
