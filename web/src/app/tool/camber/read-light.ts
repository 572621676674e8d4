import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { Button } from 'primeng/button';
import { attempt, Refusal } from '@mellow-anvil/core/base';
import { type CamberRead, FEELER_STEP_MM, lightReading } from '@mellow-anvil/core/camber';
import { Figures } from '../../ui/figures';
import { QuantityField } from '../../ui/quantity-field';
import type { Iron } from './camber-draft';

/** The camber read by light under a straightedge, with feelers at the two corners. */
@Component({
  selector: 'ma-read-light',
  imports: [Button, QuantityField],
  template: `
    <p class="muted">
      Rest a wooden straightedge on the middle of the edge (steel harms it), against the light. The thickest
      leaf that goes under at each corner; 0 where none does.
    </p>
    <div class="asked">
      <ma-quantity
        label="Left corner"
        [value]="left()"
        (valueChange)="left.set($event)"
        [sentence]="wrong()"
      />
      <ma-quantity label="Right corner" [value]="right()" (valueChange)="right.set($event)" />
      <ma-quantity label="From leaf to leaf" [value]="step()" (valueChange)="step.set($event)" />
    </div>
    @if (result(); as r) {
      <p class="found" role="status">{{ r.says }}</p>
      <p-button label="Into the record" (onClick)="found.emit(r.read)" />
    }
  `,
  styleUrl: '../../ui/panel.css',
  styles: `
    .found {
      font-size: 1.25rem;
      font-weight: 700;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ReadLight {
  readonly iron = input.required<Iron>();
  readonly found = output<CamberRead>();
  private readonly figures = inject(Figures);
  protected readonly left = signal<number | undefined>(undefined);
  protected readonly right = signal<number | undefined>(undefined);
  protected readonly step = signal<number | undefined>(FEELER_STEP_MM);

  private readonly light = computed(() => {
    const [leftMm, rightMm] = [this.left(), this.right()];
    if (leftMm === undefined || rightMm === undefined || !(leftMm >= 0 && rightMm >= 0)) return undefined;
    return attempt(() =>
      lightReading({
        widthMm: this.iron().edge.widthMm,
        leftMm,
        rightMm,
        stepMm: this.step() || FEELER_STEP_MM,
      }),
    );
  });
  protected readonly wrong = computed(() => {
    const light = this.light();
    return light instanceof Refusal ? light.message : '';
  });
  protected readonly result = computed(
    (): { readonly read: CamberRead; readonly says: string } | undefined => {
      const light = this.light();
      if (!light || light instanceof Refusal) return undefined;
      const { camber, lean, told } = light;
      const leans = Math.abs(lean.mm) > lean.pmMm;
      const leanWords = leans
        ? ` The ${lean.mm > 0 ? 'right' : 'left'} corner shows ${this.figures.sliver(Math.abs(lean.mm))} more: either the straightedge rocked, or the edge is out of square; the caliper tells which.`
        : '';
      return {
        read: { by: 'light', camberMm: camber.mm, pmMm: camber.pmMm },
        says: told
          ? `${this.figures.sliver(camber.mm)} ± ${this.figures.sliver(camber.pmMm)} of light at the corners.${leanWords}`
          : `No leaf goes under: less than ${this.figures.sliver(camber.pmMm)}; it cannot be told from straight.`,
      };
    },
  );
}
