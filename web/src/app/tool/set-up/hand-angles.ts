import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { Button } from 'primeng/button';
import { attempt, Refusal } from '@mellow-anvil/core/base';
import type { KnifeEdge, Tool } from '@mellow-anvil/core/blade';
import { liftAngle } from '@mellow-anvil/core/guide';
import type { Stored } from '@mellow-anvil/contract';
import { ToolsStore } from '../../data/tools.store';
import { Notices } from '../../platform/notices';
import { Figures } from '../../ui/figures';
import { QuantityField } from '../../ui/quantity-field';

/** What the hand does: how high it lifts the spine on each side, and the angle that is. Nothing evens the two. */
@Component({
  selector: 'ma-hand-angles',
  imports: [Button, QuantityField],
  template: `
    <h3>What your hand does</h3>
    <p>
      Lay it as you always do, hold it there, and slip a folded sheet or a stack under the spine until it just
      stays; or mark the height on a card stood behind it. Each side by itself.
    </p>
    <div class="sides">
      @for (side of sides(); track side.name) {
        <ma-quantity
          [label]="side.label"
          [value]="side.liftMm"
          (valueChange)="set(side.name, $event)"
          [sentence]="side.refusal"
          hint="Under the spine, its near corner"
        />
      }
      @if (found(); as angles) {
        <p role="status">
          <b>{{ figures.angle(angles.leftDeg) }} left, {{ figures.angle(angles.rightDeg) }} right</b>
          , {{ figures.angle(angles.leftDeg + angles.rightDeg) }} at the edge.
        </p>
        <p-button label="Keep these angles" (onClick)="keep()" />
      }
    </div>
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.4rem;
    }
    h3,
    p {
      margin: 0;
    }
    .sides {
      display: flex;
      flex-wrap: wrap;
      gap: 0.5rem 1rem;
      align-items: end;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HandAngles {
  readonly tool = input.required<Stored<Tool>>();
  readonly knife = input.required<KnifeEdge>();
  protected readonly figures = inject(Figures);
  private readonly tools = inject(ToolsStore);
  private readonly notices = inject(Notices);
  private readonly lifts = signal<{
    readonly left?: number | undefined;
    readonly right?: number | undefined;
  }>({});

  protected readonly sides = computed(() =>
    (['left', 'right'] as const).map((name) => {
      const liftMm = this.lifts()[name];
      const { widthMm, spineMm } = this.knife();
      const angle =
        liftMm === undefined
          ? undefined
          : attempt(() => liftAngle({ widthMm, spineThicknessMm: spineMm }, liftMm).bevelDeg);
      const refused = angle instanceof Refusal;
      return {
        name,
        label: name === 'left' ? 'Left side' : 'Right side',
        liftMm,
        refusal: refused ? angle.message : '',
        deg: refused ? undefined : angle,
      };
    }),
  );
  /** To half a degree: nobody’s hand is surer. */
  protected readonly found = computed(() => {
    const [left, right] = this.sides().map(({ deg }) => deg && Math.round(2 * deg) / 2);
    return left && right ? { leftDeg: left, rightDeg: right } : undefined;
  });

  protected set(side: 'left' | 'right', liftMm: number | undefined): void {
    this.lifts.update((lifts) => ({ ...lifts, [side]: liftMm }));
  }

  protected keep(): void {
    const [tool, found] = [this.tool(), this.found()];
    if (!found) return;
    const edge = { ...this.knife(), ...found };
    this.tools.amend(tool, { edge }).subscribe({
      next: () =>
        this.notices.done(
          `${tool.name} is kept at ${this.figures.angle(found.leftDeg)} left and ${this.figures.angle(found.rightDeg)} right.`,
        ),
      error: (reason: unknown) => this.notices.refused(reason),
    });
  }
}
