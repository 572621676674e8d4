import {
  ChangeDetectionStrategy,
  Component,
  computed,
  inject,
  input,
  linkedSignal,
  output,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Button } from 'primeng/button';
import { isWheel } from '@mellow-anvil/core/abrasive';
import { attempt, Refusal } from '@mellow-anvil/core/base';
import type { DoubleBevelEdge } from '@mellow-anvil/core/blade';
import { runningEdge } from '@mellow-anvil/core/curve';
import { contactMin, GRINDING_PUSH_N, wheelAtWork } from '@mellow-anvil/core/grinding';
import { AbrasivesStore } from '../../data/abrasives.store';
import { FrontView } from '../../drawings/front-view';
import { Figures } from '../../ui/figures';
import { QuantityField } from '../../ui/quantity-field';
import { Why, type Reason } from '../../ui/why';

/** A third of the blade’s width to begin with. */
const SHARE = 1 / 3;

/** A skew’s unused heel as a second, running edge: its shape, the steel at the wheel, what it meets. */
@Component({
  selector: 'ma-heel-panel',
  imports: [Button, FrontView, QuantityField, Why],
  templateUrl: './heel-panel.html',
  styleUrl: '../../ui/panel.css',
  styles: `
    .drawn {
      max-width: 18rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HeelPanel {
  readonly edge = input.required<DoubleBevelEdge>();
  /** How it is ground from now on; nothing where it has no such edge. */
  readonly chosen = output<number | undefined>();
  protected readonly figures = inject(Figures);
  private readonly bench = toSignal(inject(AbrasivesStore).inOrder$, { initialValue: [] });
  private readonly begin = computed(() => {
    const { heelRadiusMm, widthMm } = this.edge();
    return heelRadiusMm ?? Math.round(widthMm * SHARE * 2) / 2;
  });
  /** As typed; begun anew only where the tool’s own changes, not where its record is read again. */
  protected readonly radius = linkedSignal<number | undefined>(() => this.begin());
  protected readonly found = computed(() => {
    const radiusMm = this.radius();
    if (radiusMm === undefined || Number.isNaN(radiusMm)) return {};
    const edge = attempt(() => runningEdge({ ...this.edge(), radiusMm }));
    return edge instanceof Refusal ? { refusal: edge.message } : { edge };
  });
  protected readonly drawn = computed((): DoubleBevelEdge => {
    const heelRadiusMm = this.radius();
    return { ...this.edge(), ...(heelRadiusMm !== undefined && { heelRadiusMm }) };
  });
  /** How long that is on the first wheel there is. */
  protected readonly wheel = computed(() => {
    const [wheel, steelMm3] = [this.bench().find(isWheel), this.found().edge?.steelMm3];
    if (!wheel || steelMm3 === undefined) return '';
    const minutes = contactMin(steelMm3, wheelAtWork(wheel, GRINDING_PUSH_N));
    return `, ${this.figures.minutes(minutes)} of contact on ${wheel.name}`;
  });
  protected readonly reason = computed((): Reason => {
    const { skewDeg, thicknessMm, leftDeg, rightDeg } = this.edge();
    const { figures } = this;
    return {
      formula:
        'It turns 90° − λ and takes r·tan((90° − λ)/2) of the edge; the steel is the thickness before less the wedge that is so far inside the round, summed over the corner; it meets atan(tan α · cos λ) there.',
      inputs: [
        `λ = ${figures.angle(skewDeg)}, r = ${figures.length(this.radius() ?? 0)}`,
        `${figures.length(thicknessMm)} thick, ${figures.angle(leftDeg)} and ${figures.angle(rightDeg)} a side`,
      ],
      source: 'Plane geometry.',
      sure: 'The shape is exact; minutes at the wheel go by its estimated rate.',
    };
  });
}
