import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { Button } from 'primeng/button';
import { attempt, Refusal } from '@mellow-anvil/core/base';
import {
  guideAngle,
  guideCalibration,
  nextGuideReading,
  type GuideCalibration,
  guideProjection,
  type GuideSeat,
  measuredSeat,
  projectionUncertaintyMm,
  READINGS_TO_DOUBT,
  type RollerGuide,
  USUAL_DIVISION_DEG,
} from '@mellow-anvil/core/guide';
import { Figures } from '../ui/figures';
import { QuantityField } from '../ui/quantity-field';
import { Why, type Reason } from '../ui/why';

const VIEW = { width: 480, height: 250 } as const;
const PLOT = { left: 54, right: 20, top: 18, bottom: 40 } as const;
const TOLD_AT = [25, 30, 35] as const;
/** Where the next reading is judged, where it can be taken, and how much of the ± has to go for it to be asked. */
const USED_DEG = 30;
const MEASURABLE_DEG = Array.from({ length: 23 }, (_, i) => 18 + i);
const WORTH_SHARE = 0.9;

interface Row {
  readonly projectionMm?: number | undefined;
  readonly angleDeg?: number | undefined;
}

/** Two settings or more, measured with a protractor, fitted to this seat's own geometry. */
@Component({
  selector: 'ma-measure-seat',
  imports: [Button, QuantityField, Why],
  templateUrl: './measure-seat.html',
  styleUrl: './measure-seat.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class MeasureSeat {
  readonly guide = input.required<RollerGuide>();
  readonly seat = input.required<GuideSeat>();
  readonly seatChange = output<GuideSeat>();
  protected readonly figures = inject(Figures);
  protected readonly view = VIEW;

  private readonly typed = signal<readonly Row[] | undefined>(undefined);
  private readonly divisionTyped = signal<number | undefined>(undefined);
  protected readonly shakeTyped = signal<number | undefined>(undefined);
  protected readonly shakeDeg = computed(() => this.shakeTyped() ?? this.seat().measured?.shakeDeg);
  private readonly thicknessTyped = signal<number | undefined>(undefined);
  protected readonly rows = computed(
    (): readonly Row[] => this.typed() ?? this.seat().measured?.readings ?? [{}, {}],
  );
  protected readonly divisionDeg = computed(
    () => this.divisionTyped() ?? this.seat().measured?.divisionDeg ?? USUAL_DIVISION_DEG,
  );
  protected readonly thicknessMm = computed(() => this.thicknessTyped() ?? this.seat().measured?.thicknessMm);
  protected readonly underside = computed(() => this.seat().registers === 'underside');

  /** Rows that can be read, with their place among all. */
  private readonly readings = computed(() =>
    this.rows().flatMap(({ projectionMm, angleDeg }, row) =>
      projectionMm !== undefined && angleDeg !== undefined && Number.isFinite(projectionMm + angleDeg)
        ? [{ row, projectionMm, angleDeg }]
        : [],
    ),
  );

  private readonly result = computed((): GuideCalibration | Refusal | undefined => {
    const readings = this.readings().map(({ projectionMm, angleDeg }) => ({ projectionMm, angleDeg }));
    if (readings.length < 2 || !(this.divisionDeg() > 0)) return undefined;
    const { rollerRadiusMm, rollerDropMm } = this.guide();
    const result = attempt(() =>
      guideCalibration({
        rollerRadiusMm,
        rollerDropMm,
        readings,
        divisionDeg: this.divisionDeg(),
        shakeDeg: this.shakeDeg(),
      }),
    );
    return result;
  });
  protected readonly fitted = computed(() => {
    const result = this.result();
    return result instanceof Refusal ? undefined : result;
  });
  protected readonly refusal = computed(() => {
    const result = this.result();
    if (!(result instanceof Refusal)) return '';
    // Each reading's own refusal stands at its row.
    return /^readings\.\d/.test(result.field) ? '' : result.message;
  });

  /** The blade measured on a seat that holds its underside has to be known. */
  protected readonly wants = computed(() =>
    this.underside() && !((this.thicknessMm() ?? 0) > 0)
      ? 'Give the thickness of the blade you measured with: this seat holds it by its underside.'
      : '',
  );
  protected readonly kept = computed(() => {
    const { measured } = this.seat();
    return (
      measured !== undefined &&
      JSON.stringify(measured.readings) === JSON.stringify(this.plain()) &&
      measured.divisionDeg === this.divisionDeg() &&
      measured.shakeDeg === this.shakeDeg() &&
      measured.thicknessMm === this.thicknessMm()
    );
  });

  protected readonly wrongRow = computed(() => {
    const index = this.fitted()?.contradiction?.index;
    return index === undefined ? undefined : this.readings()[index]?.row;
  });

  protected readonly words = computed(() => {
    const fitted = this.fitted();
    if (!fitted) return '';
    const { contradiction, canDoubt, rmsDeg } = fitted;
    const fit = `They fit within ${this.figures.angle(rmsDeg, 2)} (root mean square).`;
    if (contradiction) {
      const { expectedDeg, offDeg } = contradiction;
      const more = offDeg > 0 ? 'more' : 'less';
      return `Reading ${(this.wrongRow() ?? 0) + 1} contradicts the rest: they put the angle there at ${this.figures.angle(expectedDeg, 1)}, and it says ${this.figures.angle(Math.abs(offDeg), 1)} ${more}. Measure it again, or leave it out.`;
    }
    return canDoubt
      ? `${fit} None of them contradicts the rest (a right set is doubted one time in a hundred).${this.nextWords()}`
      : `${fit}${this.nextWords()} With ${this.readings().length} readings none can be told to be wrong; ${READINGS_TO_DOUBT} or more can.`;
  });

  /** Where one reading more would tell most. */
  private nextWords(): string {
    const fitted = this.fitted();
    if (!fitted) return '';
    const next = nextGuideReading(fitted, this.guide(), USED_DEG, MEASURABLE_DEG);
    const now = projectionUncertaintyMm(fitted, USED_DEG);
    if (!next || next.plusMinusMm > WORTH_SHARE * now) return '';
    return ` One more at about ${this.figures.angle(next.atDeg, 0)} tells most: ± ${this.figures.length(now)} at ${this.figures.angle(USED_DEG, 0)} becomes ± ${this.figures.length(next.plusMinusMm)}.`;
  }

  /** This seat's projections as the readings have them, with their ±. */
  protected readonly told = computed(() => {
    const [fitted, guide] = [this.fitted(), this.guide()];
    if (!fitted) return [];
    return TOLD_AT.flatMap((angleDeg) => {
      const result = attempt(() => {
        const { projectionMm } = guideProjection({ guide: { ...this.asMeasured(guide, fitted) }, angleDeg });
        return [{ angleDeg, projectionMm, plusMinusMm: projectionUncertaintyMm(fitted, angleDeg) }];
      });
      return result instanceof Refusal ? [] : result;
    });
  });

  protected readonly plot = computed(() => {
    const fitted = this.fitted();
    const readings = this.readings();
    if (!fitted) return undefined;
    const at = readings.map(({ projectionMm }) => projectionMm);
    const degs = readings.map(({ angleDeg }) => angleDeg);
    const [low, high] = [Math.min(...at) - 3, Math.max(...at) + 3];
    const [flat, steep] = [Math.min(...degs) - 2, Math.max(...degs) + 2];
    const x = (mm: number): number =>
      PLOT.left + ((mm - low) / (high - low)) * (VIEW.width - PLOT.left - PLOT.right);
    const y = (deg: number): number =>
      VIEW.height - PLOT.bottom - ((deg - flat) / (steep - flat)) * (VIEW.height - PLOT.top - PLOT.bottom);
    const geometry = this.asMeasured(this.guide(), fitted);
    const curve = Array.from({ length: 41 }, (_, i) => Math.max(0.5, low + ((high - low) * i) / 40)).flatMap(
      (mm) => {
        const result = attempt(() => [
          `${x(mm).toFixed(1)} ${y(guideAngle({ guide: geometry, projectionMm: mm }).angleDeg).toFixed(1)}`,
        ]);
        return result instanceof Refusal ? [] : result;
      },
    );
    const wrong = this.wrongRow();
    return {
      curve: `M${curve.join('L')}`,
      dots: readings.map(({ row, projectionMm, angleDeg }) => ({
        n: row + 1,
        x: x(projectionMm),
        y: y(angleDeg),
        wrong: row === wrong,
      })),
      axis: `M${PLOT.left} ${PLOT.top}V${VIEW.height - PLOT.bottom}H${VIEW.width - PLOT.right}`,
      ends: [
        { x: x(low + 3), y: VIEW.height - 14, text: this.figures.length(low + 3, 1) },
        { x: x(high - 3), y: VIEW.height - 14, text: this.figures.length(high - 3, 1) },
      ],
      sides: [
        { x: PLOT.left - 8, y: y(steep - 2) + 6, text: this.figures.angle(steep - 2) },
        { x: PLOT.left - 8, y: y(flat + 2) + 6, text: this.figures.angle(flat + 2) },
      ],
    };
  });

  protected change(row: number, change: Row): void {
    this.typed.set(this.rows().map((each, i) => (i === row ? { ...each, ...change } : each)));
  }

  protected add(): void {
    this.typed.set([...this.rows(), {}]);
  }

  protected drop(row: number): void {
    this.typed.set(this.rows().filter((_, i) => i !== row));
  }

  protected setDivision(deg: number | undefined): void {
    this.divisionTyped.set(deg);
  }

  protected setThickness(mm: number | undefined): void {
    this.thicknessTyped.set(mm);
  }

  protected rowSays(row: number): string {
    const result = this.result();
    if (result instanceof Refusal) {
      const [, index] = /^readings\.(\d+)/.exec(result.field) ?? [];
      return index !== undefined && this.readings()[Number(index)]?.row === row ? result.message : '';
    }
    const index = this.readings().findIndex((each) => each.row === row);
    const off = result?.residualsDeg[index];
    if (off === undefined) return '';
    return row === this.wrongRow()
      ? 'contradicts the rest'
      : `${off >= 0 ? '+' : ''}${this.figures.angle(off, 2)} off the fit`;
  }

  protected keep(): void {
    const fitted = this.fitted();
    if (!fitted || this.wants()) return;
    const [divisionDeg, shakeDeg, thicknessMm] = [this.divisionDeg(), this.shakeDeg(), this.thicknessMm()];
    const measured = {
      readings: this.plain(),
      divisionDeg,
      ...(shakeDeg !== undefined && { shakeDeg }),
      ...(this.underside() && thicknessMm !== undefined && { thicknessMm }),
    };
    this.seatChange.emit(measuredSeat(this.seat(), measured, fitted));
  }

  protected forget(): void {
    const { measured: _readings, ...seat } = this.seat();
    this.typed.set([{}, {}]);
    this.seatChange.emit(seat);
  }

  protected reason(): Reason {
    const fitted = this.fitted();
    const write = (mm: number): string => this.figures.length(mm, 2);
    return {
      formula:
        'θ(p) = atan2(H, p + a) + asin((r − k)/√((p + a)² + H²)); H and a are chosen so that Σ(measured − θ)² is least.',
      inputs: [
        `r = ${write(this.guide().rollerRadiusMm)}, the roller; k = ${write(this.guide().rollerDropMm ?? 0)}, how much lower it runs`,
        `${this.readings().length} readings, each read to ${this.figures.angle(this.divisionDeg(), 2)}`,
        `H = ${write(fitted?.seatHeightMm ?? 0)}${this.underside() ? ', the blade’s thickness with it' : ''}; a = ${write(fitted?.noseMm ?? 0)}`,
        `one reading is taken to be good to ${this.figures.angle(fitted?.readingSdDeg ?? 0, 2)} (standard deviation)`,
      ],
      source:
        'Least squares in angle (Levenberg and Marquardt); a division’s uncertainty by JCGM 100, 4.3.7; the ± is a 95 % interval by Student’s t.',
      sure: 'The ± grows away from what you measured: take readings on both sides of the angles you use.',
    };
  }

  private plain(): { projectionMm: number; angleDeg: number }[] {
    return this.readings().map(({ projectionMm, angleDeg }) => ({ projectionMm, angleDeg }));
  }

  private asMeasured(
    { rollerRadiusMm, rollerDropMm }: RollerGuide,
    { seatHeightMm, noseMm }: GuideCalibration,
  ) {
    return { rollerRadiusMm, seatHeightMm, noseMm, ...(rollerDropMm !== undefined && { rollerDropMm }) };
  }
}
