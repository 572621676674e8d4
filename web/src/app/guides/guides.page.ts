import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { ButtonDirective } from 'primeng/button';
import { PlusIcon } from 'primeng/icons/plus';
import { attempt, Refusal } from '@mellow-anvil/core/base';
import {
  type Guide,
  GUIDE_FORMS,
  guideProjection,
  type GuideSeat,
  isRoller,
  type RollerGuide,
  seatCalibration,
  seatGeometry,
  wheelSupport,
} from '@mellow-anvil/core/guide';
import { Figures } from '../ui/figures';
import { FORM_WORDS } from './guide-draft';
import { GuidesStore } from '../data/guides.store';

const ANGLES = [20, 25, 30, 35, 40] as const;
/** Blade thickness assumed for seats that hold the underside, mm. */
const SAMPLE_THICKNESS_MM = 3;

/** The honing guides, each with its table of projections. */
@Component({
  selector: 'ma-guides',
  imports: [ButtonDirective, PlusIcon, RouterLink],
  templateUrl: './guides.page.html',
  styles: `
    header a {
      margin-left: auto;
    }
    article {
      border-top: 3px solid var(--leather);
      padding-top: 0.7rem;
      display: grid;
      gap: 0.4rem;
    }
    table {
      border-collapse: collapse;
      width: 100%;
    }
    th,
    td {
      padding: 0.45rem 0.6rem;
      text-align: left;
      border-bottom: 1px solid var(--line);
    }
    tbody .number {
      font-size: 1.25rem;
      font-weight: 700;
    }
    .number {
      text-align: right;
      font-variant-numeric: tabular-nums;
    }
    small {
      color: var(--muted);
      font-weight: 400;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class GuidesPage {
  protected readonly figures = inject(Figures);
  protected readonly angles = ANGLES;
  private readonly guides = toSignal(inject(GuidesStore).items$, { initialValue: [] });

  protected readonly tables = computed(() =>
    inOrderOfForm(this.guides()).map((guide) => ({
      id: guide.id,
      name: guide.name,
      notes: guide.notes,
      says: this.says(guide),
      rows: this.rows(guide),
    })),
  );

  private says(guide: Guide): string {
    switch (guide.form) {
      case 'pair-jig':
        return `${FORM_WORDS[guide.form]}: it holds every knife at ${this.figures.angle(guide.fixedDeg)}.`;
      case 'wet-wheel-jig':
        return `${FORM_WORDS[guide.form]}: wheel of ${this.figures.length(guide.wheelRadiusMm)} radius; the bar’s centre to the rim.`;
      case 'freehand':
        return 'The set-up gives lifts and folds in place of projections.';
      default:
        return FORM_WORDS[guide.form];
    }
  }

  private rows(guide: Guide): readonly { name: string; note: string; projections: readonly string[] }[] {
    if (isRoller(guide)) {
      return guide.seats.map((seat) => ({
        name: seat.name,
        note: [
          seat.registers === 'underside'
            ? `for a blade ${this.figures.length(SAMPLE_THICKNESS_MM)} thick`
            : '',
          this.measuredWords(guide, seat),
        ]
          .filter(Boolean)
          .join('; '),
        projections: ANGLES.map((angle) => this.projection(guide, seat, angle)),
      }));
    }
    if (guide.form !== 'wet-wheel-jig') return [];
    const gaps = ANGLES.map((angleDeg) => {
      const result = attempt(
        () =>
          `${this.figures.setting(wheelSupport({ ...guide, angleDeg }).gapMm)} ${this.figures.unitOf('length')}`,
      );
      return result instanceof Refusal ? 'out of reach' : result;
    });
    return [{ name: 'Bar to wheel', note: '', projections: gaps }];
  }

  private measuredWords(guide: RollerGuide, seat: GuideSeat): string {
    const fitted = seatCalibration(guide, seat);
    return fitted
      ? `measured, ${seat.measured?.readings.length} readings within ${this.figures.angle(fitted.rmsDeg, 2)}`
      : '';
  }

  private projection(guide: RollerGuide, seat: GuideSeat, angleDeg: number): string {
    const result = attempt(() => {
      const { projectionMm } = guideProjection({
        guide: seatGeometry(guide, seat),
        thicknessMm: SAMPLE_THICKNESS_MM,
        angleDeg,
      });
      return `${this.figures.setting(projectionMm)} ${this.figures.unitOf('length')}`;
    });
    return result instanceof Refusal ? 'out of reach' : result;
  }
}

const inOrderOfForm = <T extends Guide>(guides: readonly T[]): readonly T[] =>
  [...guides].sort((a, b) => GUIDE_FORMS.indexOf(a.form) - GUIDE_FORMS.indexOf(b.form));
