import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { attempt, Refusal } from '@mellow-anvil/core/base';
import { backBevel, USUAL_SHIM } from '@mellow-anvil/core/blade';
import type { Sentences } from '../ui/checks';
import { Figures } from '../ui/figures';
import { QuantityField } from '../ui/quantity-field';
import { Why, type Reason } from '../ui/why';

const VIEW = { width: 480, height: 150 } as const;
const STONE_Y = 110;

/** A shim's thickness and place, and the back bevel they give. */
@Component({
  selector: 'ma-shim-figures',
  imports: [QuantityField, Why],
  templateUrl: './shim-figures.html',
  styleUrl: '../ui/panel.css',
  styles: `
    .stone {
      fill: var(--line);
    }
    .shim {
      fill: var(--accent);
    }
    .line {
      fill: none;
      stroke: var(--muted);
      stroke-width: 2;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ShimFigures {
  readonly shimMm = input<number>();
  readonly shimAtMm = input<number>();
  readonly sentences = input<Sentences>({});
  readonly changed = output<object>();
  readonly settled = output<void>();
  protected readonly figures = inject(Figures);
  protected readonly view = VIEW;
  protected readonly stoneY = STONE_Y;
  protected readonly usual = USUAL_SHIM;

  protected readonly result = computed((): { readonly deg?: number; readonly refused?: Refusal } => {
    const result = attempt(() => {
      const shimMm = this.shimMm() ?? USUAL_SHIM.shimMm;
      const distanceMm = this.shimAtMm() ?? USUAL_SHIM.distanceMm;
      if (!Number.isFinite(shimMm) || !Number.isFinite(distanceMm)) return {};
      return { deg: backBevel({ shimMm, distanceMm }).angleDeg };
    });
    return result instanceof Refusal ? { refused: result } : result;
  });
  protected readonly words = computed(() => {
    const { deg } = this.result();
    return deg === undefined ? 'Not to scale' : `lifted ${this.figures.angle(deg, 2)}; drawn steeper`;
  });

  protected refusal(field: string): string {
    const { refused } = this.result();
    return refused?.field === field ? refused.message : '';
  }

  protected reason(): Reason {
    const [shim, at] = [this.shimMm() ?? USUAL_SHIM.shimMm, this.shimAtMm() ?? USUAL_SHIM.distanceMm];
    const deg = this.result().deg ?? 0;
    const nearer = backBevel({ shimMm: shim, distanceMm: Math.max(shim * 1.01, at - 5) }).angleDeg;
    return {
      formula: 'sin γ = shim / distance.',
      inputs: [
        `shim = ${this.figures.length(shim)}`,
        `distance = ${this.figures.length(at)}, edge to the shim’s near edge, along the blade`,
        `${this.figures.length(5)} nearer it would be ${this.figures.angle(nearer, 2)}, not ${this.figures.angle(deg, 2)}`,
      ],
      source: 'Plane geometry; the rule under the blade is common practice.',
      sure: 'As exact as shim and place are measured. The same every time matters more than the figure.',
    };
  }
}
