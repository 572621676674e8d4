import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { cosDeg, sinDeg } from '@mellow-anvil/core/base';
import { type Edge, honedDeg, includedDeg, type Point } from '@mellow-anvil/core/blade';
import type { HoningJob } from '@mellow-anvil/core/plan';
import { Figures } from '../ui/figures';

const VIEW = { width: 190, height: 104 } as const;
/** Where the edge stood: room beside it for a worn corner that is no more, below it for its figure. */
const TIP = { x: 14, y: 84 } as const;
/** What comes off is drawn at least so wide, or nobody sees it. */
const LEAST_PX = 12;
/** So many tones can be told from each other. */
const TONES = 4;

interface Band {
  readonly points: string;
  readonly tone: number;
}

interface Scene {
  readonly steel: string;
  readonly before: string;
  readonly bands: readonly Band[];
  readonly back: { readonly from: number; readonly to: number; readonly words: string };
  readonly land?: { readonly before: string; readonly after: string };
  readonly told: string;
}

/**
 * What a plan takes off, to scale: the facet at the edge before and after, and between them the steel each stone
 * removes, coarse first. An edge of two sides is drawn by one of them, about its middle.
 */
@Component({
  selector: 'ma-taken-off',
  template: `
    @if (scene(); as s) {
      <svg [attr.viewBox]="'0 0 ' + view.width + ' ' + view.height" role="img" [attr.aria-label]="s.told">
        <path class="steel" [attr.d]="s.steel" />
        @for (band of s.bands; track $index) {
          <path [class]="'band tone-' + band.tone" [attr.d]="band.points" />
        }
        <path class="before" [attr.d]="s.before" />
        <path
          class="measure"
          [attr.d]="'M' + s.back.from + ' 90v8M' + s.back.to + ' 90v8M' + s.back.from + ' 94H' + s.back.to"
        />
        <text [attr.x]="s.back.to + 4" y="99">{{ s.back.words }}</text>
        @if (s.land; as land) {
          <text x="2" y="12">
            land {{ land.before }}
            <tspan x="2" dy="15">→ {{ land.after }}</tspan>
          </text>
        }
      </svg>
    }
  `,
  styles: `
    :host {
      display: block;
      width: 190px;
    }
    svg {
      display: block;
      width: 100%;
      height: auto;
      overflow: hidden;
    }
    .steel {
      fill: var(--steel);
    }
    .band {
      stroke: var(--raised);
      stroke-width: 0.8;
      fill: var(--accent);
    }
    .tone-1 {
      fill-opacity: 0.72;
    }
    .tone-2 {
      fill-opacity: 0.48;
    }
    .tone-3 {
      fill-opacity: 0.28;
    }
    .before {
      fill: none;
      stroke: var(--ink);
      stroke-width: 1.2;
      stroke-dasharray: 4 3;
    }
    .measure {
      fill: none;
      stroke: var(--ink);
    }
    text {
      fill: var(--ink);
      font-size: 13px;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TakenOff {
  readonly edge = input.required<Edge>();
  readonly job = input.required<HoningJob>();
  /** Steel each stone removes, in their order, mm³. */
  readonly removedMm3 = input.required<readonly number[]>();

  private readonly figures = inject(Figures);
  protected readonly view = VIEW;

  protected readonly scene = computed((): Scene | undefined => {
    const { recessionMm, landBeforeMm, landAfterMm, wholeBevel } = this.job();
    if (!(recessionMm > 0) || !(landAfterMm > 0)) return undefined;
    const edge = this.edge();
    const [honed, ground] =
      edge.form === 'single-bevel' ? [honedDeg(edge), edge.primaryDeg] : [includedDeg(edge) / 2, undefined];
    const pxPerMm = Math.max(
      LEAST_PX / recessionMm,
      Math.min(
        (VIEW.width - TIP.x - 24) / (landAfterMm * cosDeg(honed) + recessionMm),
        (TIP.y - 22) / (landAfterMm * sinDeg(honed)),
      ),
    );
    const at = ({ x, y }: Point): string =>
      `${(TIP.x + x * pxPerMm).toFixed(1)} ${(TIP.y - y * pxPerMm).toFixed(1)}`;
    const along = (from: Point, mm: number, deg: number): Point => ({
      x: from.x + mm * cosDeg(deg),
      y: from.y + mm * sinDeg(deg),
    });
    /** The facet when so much of its way back is gone. */
    const facet = (share: number): readonly [Point, Point] => {
      const tip = { x: share * recessionMm, y: 0 };
      return [tip, along(tip, landBeforeMm + share * (landAfterMm - landBeforeMm), honed)];
    };
    const [edgeNow, heel] = facet(1);
    // Far enough up the ground bevel, or the facet itself where it is the whole bevel.
    const far = along(heel, VIEW.width / pxPerMm, wholeBevel ? honed : (ground ?? honed));
    const low = { x: far.x, y: 0 };
    const shares = sharesOfDepth(this.removedMm3(), landBeforeMm, landAfterMm);
    const bands = shares.slice(1).map((share, i): Band => {
      const [a, b] = facet(shares[i] as number);
      const [c, d] = facet(share);
      return { points: `M${at(a)}L${at(b)}L${at(d)}L${at(c)}Z`, tone: Math.min(i, TONES - 1) };
    });
    const [tipBefore, heelBefore] = facet(0);
    const back = this.figures.sliver(recessionMm);
    const land = wholeBevel
      ? undefined
      : { before: this.figures.length(landBeforeMm), after: this.figures.length(landAfterMm) };
    return {
      steel: `M${at(edgeNow)}L${at(heel)}L${at(far)}L${at(low)}Z`,
      before: `M${at(tipBefore)}L${at(heelBefore)}`,
      bands,
      back: { from: TIP.x, to: TIP.x + recessionMm * pxPerMm, words: back },
      ...(land && { land }),
      told: `What comes off, to scale: ${back} at the edge${land ? `, land ${land.before} → ${land.after}` : ', over the whole bevel'}.`,
    };
  });
}

/**
 * How far back the facet is after each stone, as shares of the whole way from 0: the area up to share t of a strip
 * whose length grows evenly from `before` to `after` is before·t + (after − before)·t²/2.
 * @example
 * sharesOfDepth([1, 1], 1, 1); // [0, 0.5, 1]
 */
export function sharesOfDepth(removed: readonly number[], before: number, after: number): readonly number[] {
  const all = removed.reduce((sum, each) => sum + each, 0);
  if (!(all > 0)) return [0, 1];
  const grows = after - before;
  let sum = 0;
  return [
    0,
    ...removed.map((each) => {
      sum += each;
      const area = (sum / all) * (before + grows / 2);
      return grows < 1e-9 ? sum / all : (Math.sqrt(before ** 2 + 2 * grows * area) - before) / grows;
    }),
  ];
}
