import { ChangeDetectionStrategy, Component, computed, inject, input, linkedSignal } from '@angular/core';
import { type Edge, skewCut } from '@mellow-anvil/core/blade';
import { facetsOf, honedAtDeg } from '@mellow-anvil/core/guide';
import { Figures } from '../../ui/figures';
import { QuantityField } from '../../ui/quantity-field';
import { Why, type Reason } from '../../ui/why';

/** What the wood meets when the edge is turned to the cut. */
@Component({
  selector: 'ma-skew-panel',
  imports: [QuantityField, Why],
  template: `
    <div class="asked">
      <ma-quantity
        label="Turned from square"
        quantity="angle"
        [value]="skew()"
        (valueChange)="skew.set($event)"
        [sentence]="wrong()"
        hint="The edge’s own skew, or how far you turn the tool"
      />
      @if (cuts(); as each) {
        <dl class="sums">
          @for (cut of each; track cut.name) {
            <div>
              <dt>{{ cut.name }}</dt>
              <dd>{{ figures.angle(cut.deg, 2) }}</dd>
            </div>
          }
        </dl>
        <ma-why of="the angle of a skewed cut" [reason]="reason()" />
      }
    </div>
    @if (cuts(); as each) {
      <p role="status">{{ words(each) }}</p>
    }
  `,
  styleUrl: '../../ui/panel.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SkewPanel {
  readonly edge = input.required<Edge>();
  protected readonly figures = inject(Figures);
  protected readonly skew = linkedSignal<number | undefined>(() => {
    const edge = this.edge();
    return edge.form === 'double-bevel' && edge.skewDeg > 0 ? edge.skewDeg : 30;
  });
  private readonly sides = computed(() => {
    const edge = this.edge();
    const facets = facetsOf(edge);
    return edge.form === 'double-bevel' || edge.form === 'knife'
      ? facets.map(({ facet, angleDeg }) => ({
          name: facet === 'left' ? 'Left side' : 'Right side',
          angleDeg,
        }))
      : [{ name: 'The wood meets', angleDeg: honedAtDeg(edge) }];
  });
  protected readonly wrong = computed(() => {
    const deg = this.skew();
    return deg === undefined || Number.isNaN(deg) || (deg >= 0 && deg < 90)
      ? ''
      : 'An edge can be turned from 0° to just below 90°.';
  });
  protected readonly cuts = computed(() => {
    const skewDeg = this.skew();
    if (skewDeg === undefined || Number.isNaN(skewDeg) || this.wrong()) return undefined;
    return this.sides().map(({ name, angleDeg }) => ({
      name,
      angleDeg,
      deg: skewCut({ bevelDeg: angleDeg, skewDeg }).effectiveDeg,
    }));
  });

  protected words(cuts: readonly { readonly angleDeg: number; readonly deg: number }[]): string {
    const [first] = cuts;
    if (!first) return '';
    return `Turned ${this.figures.angle(this.skew() ?? 0)}, a ${this.figures.angle(first.angleDeg)} bevel meets the wood like one of ${this.figures.angle(first.deg, 1)}: it slices, and the edge behind it stays as strong as it was.`;
  }

  protected reason(): Reason {
    const angles = this.sides().map(({ angleDeg }) => this.figures.angle(angleDeg));
    return {
      formula: 'tan of the effective angle = tan α · cos λ.',
      inputs: [
        `α = ${angles.join(' and ')}, square to the edge`,
        `λ = ${this.figures.angle(this.skew() ?? 0)}, from square to the cut`,
      ],
      source:
        'Plane geometry, checked against the section of the bevel by vectors; a double bevel goes side by side.',
      sure: 'Exact for a flat-backed edge drawn straight along the cut.',
    };
  }
}
