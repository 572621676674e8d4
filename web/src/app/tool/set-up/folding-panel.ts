import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal } from '@angular/core';
import { cosDeg, sinDeg } from '@mellow-anvil/core/base';
import { foldTo, halvings } from '@mellow-anvil/core/guide';
import { Figures } from '../../ui/figures';
import { QuantityField } from '../../ui/quantity-field';
import { Why, type Reason } from '../../ui/why';

const VIEW = { width: 450, height: 290 } as const;
const CORNER = { x: 40, y: 262 } as const;
const LONG = 330;
const HIGH = 240;

/** Halving a right angle: which crease of a folded sheet stands nearest to an angle. */
@Component({
  selector: 'ma-folding-panel',
  imports: [QuantityField, Why],
  template: `
    <div class="beside">
      <div class="asked">
        <ma-quantity
          label="Angle to find"
          quantity="angle"
          [value]="angle()"
          (valueChange)="angle.set($event)"
          [sentence]="wrong()"
        />
        @if (folding(); as f) {
          <ol>
            <li>Take a sheet with a square corner: 90°.</li>
            @for (step of f.steps; track step.folds) {
              <li>{{ step.words }}</li>
            }
          </ol>
          <p role="status">{{ f.verdict }}</p>
          <ma-why of="the folding" [reason]="reason()" />
        }
      </div>
      @if (folding(); as f) {
        <svg
          [attr.viewBox]="'0 0 ' + view.width + ' ' + view.height"
          role="img"
          [attr.aria-label]="f.verdict"
        >
          <path class="sheet" [attr.d]="f.sheet" />
          @for (crease of f.creases; track crease.deg) {
            <path [class.near]="crease.near" class="crease" [attr.d]="crease.d" />
            <text [attr.x]="crease.x" [attr.y]="crease.y">{{ crease.text }}</text>
          }
          <path class="wanted" [attr.d]="f.wanted" />
        </svg>
      }
    </div>
  `,
  styleUrl: '../../ui/panel.css',
  styles: `
    .sheet {
      fill: var(--panel);
      stroke: var(--steel-line);
      stroke-width: 2;
    }
    .crease {
      stroke: var(--muted);
      stroke-width: 1.5;
      stroke-dasharray: 7 5;
      fill: none;
    }
    .crease.near {
      stroke: var(--accent);
      stroke-width: 4;
      stroke-dasharray: none;
    }
    .wanted {
      stroke: var(--leather);
      stroke-width: 2.5;
      fill: none;
    }
    ol {
      margin: 0;
      padding-left: 1.3rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class FoldingPanel {
  readonly angleDeg = input.required<number>();
  protected readonly figures = inject(Figures);
  protected readonly view = VIEW;
  protected readonly angle = linkedSignal<number | undefined>(() => this.angleDeg());
  protected readonly wrong = computed(() => {
    const deg = this.angle();
    return deg === undefined || Number.isNaN(deg) || (deg > 0 && deg < 90)
      ? ''
      : 'Choose an angle above 0° and below 90°.';
  });

  protected readonly folding = computed(() => {
    const deg = this.angle();
    if (deg === undefined || Number.isNaN(deg) || this.wrong()) return undefined;
    const { nearest, offDeg } = foldTo(deg);
    const write = (value: number): string => this.figures.angle(value, 2);
    const off = Math.abs(offDeg);
    const how =
      off < 0.05
        ? 'exactly what is wanted'
        : `${this.figures.angle(off, 1)} ${offDeg > 0 ? 'steeper' : 'less steep'} than wanted`;
    const steps = halvings(nearest.deg);
    return {
      sheet: `M${CORNER.x} ${CORNER.y}h${LONG}v${-HIGH}h${-LONG}Z`,
      creases: steps.map(({ deg: at }, i) => {
        const near = at === nearest.deg;
        const end = ray(at, near ? 1 : 0.92 - 0.1 * i);
        return {
          deg: at,
          near,
          d: line(at, near ? 1 : 0.92 - 0.1 * i),
          x: end.x + 7,
          y: end.y + 6,
          text: write(at),
        };
      }),
      wanted: line(deg, 0.4),
      steps: steps.map(({ low, high, deg: at }, i) => ({
        folds: i,
        words: `Halve ${write(low)} to ${write(high)}: a crease at ${write(at)}.`,
      })),
      verdict: `The crease at ${write(nearest.deg)} is ${how}.`,
    };
  });

  protected reason(): Reason {
    return {
      formula: 'Folding the two sides of an angle onto each other halves it: creases stand at 90° · m/2ⁿ.',
      inputs: [
        `wanted ${this.figures.angle(this.angle() ?? 0, 2)}`,
        'the fewest folds whose nearest crease comes within 1.5°, five at most',
      ],
      source: 'Elementary geometry; setting by a halved right angle is common practice.',
      sure: 'A careful fold is good to about half a degree (estimate). The same crease every time matters more.',
    };
  }
}

const ray = (deg: number, share: number): { readonly x: number; readonly y: number } => {
  const [c, s] = [cosDeg(deg), sinDeg(deg)];
  const length = Math.min(LONG / c, HIGH / s) * share;
  return { x: CORNER.x + length * c, y: CORNER.y - length * s };
};
const line = (deg: number, share: number): string => {
  const { x, y } = ray(deg, share);
  return `M${CORNER.x} ${CORNER.y}L${x.toFixed(1)} ${y.toFixed(1)}`;
};
