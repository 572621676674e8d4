import { ChangeDetectionStrategy, Component, computed, effect, inject, input } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { Button, ButtonDirective } from 'primeng/button';
import { mannerOf } from '@mellow-anvil/core/blade';
import type { Station } from '@mellow-anvil/core/plan';
import { AbrasivesStore } from '../../data/abrasives.store';
import { Desk } from '../../data/desk';
import { workOf } from '../../data/to-bench';
import { stationName } from '../../words/station-words';
import { Figures } from '../../ui/figures';
import { ToolsStore } from '../../data/tools.store';

/** The order of work on a sheet of paper, to hang over the bench and tick off. */
@Component({
  selector: 'ma-card',
  imports: [Button, ButtonDirective, RouterLink],
  template: `
    <header>
      <h1>{{ tool()?.name }}</h1>
      @if (answer()?.plan; as plan) {
        <p>
          {{ figures.minutes(plan.totalMin) }}
          @if (setting()) {
            · {{ setting() }}
          }
        </p>
      }
      <p-button label="Print" (onClick)="print()" />
      <a pButton severity="secondary" [outlined]="true" [routerLink]="['/tools', id(), 'plan']">
        To the plan
      </a>
    </header>
    <ol>
      @for (row of rows(); track $index) {
        <li>
          <span class="box" aria-hidden="true"></span>
          <span>{{ row.name }}</span>
          @if (row.strokes) {
            <b class="figure">{{ row.strokes }}</b>
          }
        </li>
      }
    </ol>
    <p class="small">
      Strokes are estimates until your own stones teach better. Sharp edges cut: wipe away from the edge, feel
      across it. What makers of tools and stones say comes first.
    </p>
  `,
  styles: `
    :host {
      display: block;
      padding: 1rem 1.6rem;
      max-width: 62rem;
      margin: 0 auto;
    }
    header {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 0.4rem 1.2rem;
    }
    header p {
      margin: 0 auto 0 0;
      font-size: 1.2rem;
    }
    ol {
      list-style: none;
      margin: 1rem 0;
      padding: 0;
      columns: 20rem auto;
      column-gap: 2rem;
    }
    li {
      display: grid;
      grid-template-columns: 1.6rem minmax(0, 1fr) auto;
      gap: 0.7rem;
      align-items: center;
      min-height: 2.4rem;
      border-bottom: 1px solid var(--line);
      break-inside: avoid;
      font-size: 1.15rem;
    }
    .box {
      border: 2px solid var(--ink);
      width: 1.3rem;
      height: 1.3rem;
    }
    b {
      font-size: 1.4rem;
    }
    @media print {
      p-button,
      a {
        display: none;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CardPage {
  /** The tool’s id, from the address. */
  readonly id = input.required<string>();
  private readonly desk = inject(Desk);
  protected readonly figures = inject(Figures);
  private readonly abrasives = inject(AbrasivesStore);
  private readonly stones = toSignal(this.abrasives.inOrder$, { initialValue: [] });
  private readonly nameOf = toSignal(this.abrasives.nameOf$, { requireSync: true });
  private readonly tools = toSignal(inject(ToolsStore).items$, { initialValue: [] });
  private readonly setUp = toSignal(this.desk.setUp$);
  protected readonly answer = toSignal(this.desk.answer$);
  protected readonly tool = computed(() => this.tools().find(({ id }) => id === this.id()));
  private readonly work = computed(() => {
    const [tool, answer] = [this.tool(), this.answer()];
    if (!tool || !answer) return undefined;
    const manner = mannerOf(tool, answer.state?.honings ?? 0);
    return workOf(tool, answer, { setUp: this.setUp(), stones: this.stones(), manner });
  });
  protected readonly rows = computed(() => {
    const { steps = [], order = [] } = this.work() ?? {};
    return order.map((station: Station) => ({
      name: stationName(station, this.tool()?.edge, this.nameOf(), (index) => steps[index]),
      strokes: station.kind === 'stone' ? steps[station.step]?.strokes : undefined,
    }));
  });
  /** Where the guide is set. */
  protected readonly setting = computed(() => {
    const set = this.work()?.order.findLast((station) => station.kind === 'set');
    if (set?.kind !== 'set') return '';
    const { projectionMm, angleDeg, stop } = set.setting;
    const at = projectionMm === undefined ? '' : `${this.figures.length(projectionMm)} out, `;
    return `${stop ? `stop ${stop.label}, ` : ''}${at}${this.figures.angle(angleDeg)}`;
  });

  constructor() {
    effect(() => this.desk.takeUp(this.id()));
  }

  protected print(): void {
    window.print();
  }
}
