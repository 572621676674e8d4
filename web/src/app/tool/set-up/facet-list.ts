import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MM_PER_INCH, unlessRefused } from '@mellow-anvil/core/base';
import type { Edge } from '@mellow-anvil/core/blade';
import {
  axleClearanceMm,
  backHeightMm,
  bladeGeometry,
  FACET_NAMES,
  type FacetSetting,
  guideAngle,
  isRoller,
  type RollerGuide,
  type StopFound,
} from '@mellow-anvil/core/guide';
import { RouterLink } from '@angular/router';
import type { SetUp, StoppedSetting } from '../../data/desk';
import { Figures } from '../../ui/figures';
import { Why, type Reason } from '../../ui/why';
import { stopWords } from '../../words/stop-words';

/** Where the guide is set for every facet: the figure in giant digits, what a slip does, and why. */
@Component({
  selector: 'ma-facet-list',
  imports: [RouterLink, Why],
  templateUrl: './facet-list.html',
  styles: `
    ul {
      list-style: none;
      margin: 0;
      padding: 0;
      display: grid;
      gap: 0.6rem;
    }
    li {
      border-left: 6px solid var(--line);
      padding-left: 0.2rem;
    }
    li.shown {
      border-left-color: var(--accent);
    }
    .pick {
      display: grid;
      width: 100%;
      text-align: left;
      background: none;
      border: 0;
      font: inherit;
      color: inherit;
      padding: 0.3rem 0.6rem;
      cursor: pointer;
    }
    .facet {
      font-weight: 700;
    }
    .projection {
      font-size: 2.6rem;
      line-height: 1.05;
    }
    .projection small {
      font-size: 1.2rem;
    }
    .stop {
      padding-left: 0.6rem;
      font-weight: 700;
    }
    .board {
      font-weight: 400;
    }
    .slip {
      color: var(--muted);
      padding-left: 0.6rem;
      font-size: 0.95rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FacetList {
  readonly edge = input.required<Edge>();
  readonly setUp = input.required<SetUp>();
  readonly shown = input<FacetSetting['facet']>();
  readonly picked = output<FacetSetting['facet']>();
  protected readonly figures = inject(Figures);
  protected readonly names = FACET_NAMES;
  private readonly roller = computed((): RollerGuide | undefined => {
    const { guide } = this.setUp();
    return isRoller(guide) ? guide : undefined;
  });

  protected stopLine({ label, projectionMm, givesDeg }: StopFound): string {
    return stopWords({ label, projectionMm, angleDeg: givesDeg }, this.figures);
  }

  /** What a stop that is not quite the setting makes of the angle. */
  protected stopOff({ stop, angleDeg }: StoppedSetting): string {
    const off = (stop?.givesDeg ?? angleDeg) - angleDeg;
    if (Math.abs(off) < 0.05) return '';
    return `It sets ${this.figures.angle(Math.abs(off), 2)} ${off > 0 ? 'steeper' : 'less steep'}: the same every time matters more.`;
  }

  /** How much a millimetre’s slip (1/32 in) matters, from the guide itself. */
  protected slip({ projectionMm = 0, angleDeg }: FacetSetting): string {
    const inches = this.figures.units() === 'inch';
    const further = this.angleAt(projectionMm + (inches ? MM_PER_INCH / 32 : 1));
    if (further === undefined) return '';
    const change = this.figures.number(further - angleDeg, 2, true);
    return `${inches ? '1/32 in' : '1 mm'} too far out makes it ${this.figures.number(further, 2, true)}° (${change}°).`;
  }

  /** What each step of the micro-bevel cam makes of a setting. */
  protected cams({ projectionMm = 0, facet }: FacetSetting): string {
    const [guide, seat] = [this.roller(), this.setUp().seat];
    const rises = guide?.camRisesMm ?? [];
    if (!guide || !seat || rises.length === 0 || facet === 'micro') return '';
    const steps = rises.flatMap((rise, i) => {
      const blade = bladeGeometry(this.edge(), guide, seat, rise);
      const deg = unlessRefused(() => guideAngle({ ...blade, projectionMm }).angleDeg);
      return deg === undefined ? [] : [`cam step ${i + 1} makes it ${this.figures.number(deg, 1)}°`];
    });
    return steps.length === 0 ? '' : `Left so, ${steps.join(', ')}.`;
  }

  protected reason({ angleDeg, projectionMm = 0, degPerMm = 0, plusMinusMm }: FacetSetting): Reason {
    const [guide, seat] = [this.roller(), this.setUp().seat];
    if (!guide || !seat) return { formula: '', inputs: [], source: '', sure: '' };
    const { guide: geometry, thicknessMm } = bladeGeometry(this.edge(), guide, seat);
    const mm = (length: number): string => this.figures.length(length);
    const inches = this.figures.units() === 'inch';
    const further = inches ? MM_PER_INCH / 32 : 1;
    return {
      formula: '(p + a) · sin θ − H · cos θ = r + c − k: the stone lies tangent to the roller.',
      inputs: [
        `θ = ${this.figures.angle(angleDeg)}, the angle wanted`,
        `H = ${mm(backHeightMm(geometry, thicknessMm))}, back of the blade above the axle (${seat.name})`,
        `a = ${mm(geometry.noseMm)}, nose ahead of the axle`,
        `r + c − k = ${mm(axleClearanceMm(geometry))}, axle above the stone`,
        `p = ${mm(projectionMm)}, and ${this.figures.number(degPerMm * further, 3)}° for each further ${inches ? '1/32 in' : 'mm'}`,
      ],
      source:
        'Plane geometry, derived in docs/formulas.md and checked against the usual projections of the trade.',
      sure:
        plusMinusMm === undefined
          ? 'As exact as the guide’s own measurements: measure the seat with a protractor to know how exact. The same setting every time matters more than the last hundredth.'
          : `± ${mm(plusMinusMm)}: a 95 % interval from your own readings. The same setting every time matters more.`,
    };
  }

  protected wheelReason({ angleDeg, gapMm = 0 }: FacetSetting): Reason {
    const guide = this.setUp().guide;
    if (guide.form !== 'wet-wheel-jig') return { formula: '', inputs: [], source: '', sure: '' };
    const mm = (length: number): string => this.figures.length(length);
    return {
      formula: 'Bar to wheel’s centre D = √(P² + c² + R² + 2R(P sin θ − c cos θ)); gap = D − R.',
      inputs: [
        `θ = ${this.figures.angle(angleDeg)}, back to the wheel’s tangent at the edge`,
        `P = ${mm(guide.jigProjectionMm)}, c = ${mm(guide.offsetMm)}, R = ${mm(guide.wheelRadiusMm)}`,
        `gap = ${mm(gapMm)}`,
      ],
      source: 'Plane geometry; tangency checked numerically.',
      sure: 'As exact as P, c and R. Wheels shrink: measure R again.',
    };
  }

  private angleAt(projectionMm: number): number | undefined {
    const [guide, seat] = [this.roller(), this.setUp().seat];
    return guide && seat && guideAngle({ ...bladeGeometry(this.edge(), guide, seat), projectionMm }).angleDeg;
  }
}
