import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { Button } from 'primeng/button';
import { attempt, Refusal } from '@mellow-anvil/core/base';
import {
  type CamberRead,
  camberReading,
  SHAVING_PM_MM,
  SHAVING_WIDTH_PM_MM,
} from '@mellow-anvil/core/camber';
import { ChoiceField } from '../../ui/choice-field';
import { Figures } from '../../ui/figures';
import { QuantityField } from '../../ui/quantity-field';
import { Why, type Reason } from '../../ui/why';
import { bedOf, type Iron } from './camber-draft';

const STOPS = [
  { value: 'together', label: 'both together' },
  { value: 'left', label: 'the left first' },
  { value: 'right', label: 'the right first' },
] as const;

/** The camber read off a shaving. */
@Component({
  selector: 'ma-read-shaving',
  imports: [Button, ChoiceField, QuantityField, Why],
  template: `
    <p class="muted">
      Set the plane so that both sides stop cutting at the same setting, take a shaving narrower than the
      iron, and measure it flat.
    </p>
    <div class="asked">
      <ma-quantity
        label="Thickness"
        [value]="thickMm()"
        (valueChange)="thickMm.set($event)"
        [sentence]="wrong('shavingMm')"
      />
      <ma-quantity label="known to ±" [value]="thickPm()" (valueChange)="thickPm.set($event)" />
      <ma-quantity
        label="Width"
        [value]="wideMm()"
        (valueChange)="wideMm.set($event)"
        [sentence]="wrong('shavingWidthMm')"
      />
      <ma-quantity label="known to ± (width)" [value]="widePm()" (valueChange)="widePm.set($event)" />
      <ma-choice
        label="Drawn back, it stops cutting"
        [options]="stops"
        [value]="stop()"
        (valueChange)="stop.set($event)"
      />
    </div>
    @if (read(); as r) {
      <p class="found" role="status">{{ says() }}</p>
      <div class="asked">
        <p-button label="Into the record" [disabled]="stop() !== 'together'" (onClick)="found.emit(r)" />
        <ma-why of="the camber read" [reason]="reason()" />
      </div>
    }
  `,
  styleUrl: '../../ui/panel.css',
  styles: `
    .found {
      font-size: 1.25rem;
      font-weight: 700;
    }
    ma-choice {
      min-width: 12rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ReadShaving {
  readonly iron = input.required<Iron>();
  readonly found = output<CamberRead>();
  protected readonly figures = inject(Figures);
  protected readonly stops = [...STOPS];
  protected readonly thickMm = signal<number | undefined>(undefined);
  protected readonly wideMm = signal<number | undefined>(undefined);
  protected readonly thickPm = signal<number | undefined>(SHAVING_PM_MM);
  protected readonly widePm = signal<number | undefined>(SHAVING_WIDTH_PM_MM);
  protected readonly stop = signal<(typeof STOPS)[number]['value']>('together');

  private readonly result = computed(() => {
    const [shavingMm, shavingWidthMm] = [this.thickMm(), this.wideMm()];
    if (!((shavingMm ?? 0) > 0 && (shavingWidthMm ?? 0) > 0)) return undefined;
    return attempt(() =>
      camberReading({
        widthMm: this.iron().edge.widthMm,
        bedDeg: bedOf(this.iron()),
        shavingMm: shavingMm as number,
        shavingWidthMm: shavingWidthMm as number,
        shavingPmMm: this.thickPm() || SHAVING_PM_MM,
        shavingWidthPmMm: this.widePm() || SHAVING_WIDTH_PM_MM,
      }),
    );
  });
  protected readonly read = computed((): CamberRead | undefined => {
    const result = this.result();
    if (!result || result instanceof Refusal) return undefined;
    const { camberMm, pmMm, bound } = result;
    return { by: 'shaving', camberMm, pmMm, ...(bound && { atMost: true }) };
  });
  protected readonly says = computed(() => {
    const read = this.read();
    if (!read) return '';
    const [camber, pm] = [this.figures.sliver(read.camberMm), this.figures.sliver(read.pmMm)];
    if (this.stop() !== 'together')
      return `One side cuts deeper: move the lateral lever until both stop together, then read again. If no lever brings that, the edge is out of square: read it with the caliper.`;
    if (read.atMost)
      return `As wide as the iron: ${camber} at most. Take a thinner shaving, until it is narrower than the iron.`;
    return read.camberMm <= read.pmMm
      ? `${camber} ± ${pm}: it cannot be told from straight. A thicker shaving or a finer gauge tells more.`
      : `${camber} ± ${pm} of light at the corners.`;
  });

  protected wrong(field: string): string {
    const result = this.result();
    return result instanceof Refusal && result.field === field ? result.message : '';
  }

  protected reason(): Reason {
    return {
      formula:
        'R = (ws²/4 + s²)/2s with s = τ/sin β; camber = R − √(R² − w²/4); ± = c·√((Δτ/τ)² + (2Δws/ws)²)',
      inputs: [
        `w = ${this.figures.length(this.iron().edge.widthMm)}, bed ${this.figures.angle(bedOf(this.iron()))}`,
        `τ = ${this.figures.length(this.thickMm() ?? 0, 3)}: a tenth off is a tenth off in the camber`,
        `ws = ${this.figures.length(this.wideMm() ?? 0, 1)}: a tenth off is a fifth`,
      ],
      source: 'Plane geometry; the ± by the usual propagation (JCGM 100:2008, 5.1).',
      sure: 'As sure as the two measurements; a crumpled shaving reads thick.',
    };
  }
}
