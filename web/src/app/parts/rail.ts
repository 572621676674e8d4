import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  ElementRef,
  afterNextRender,
  computed,
  inject,
  input,
  signal,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { Router, RouterLink } from '@angular/router';
import { Select } from 'primeng/select';
import { type StonesRecord, kindFacts, servesShape, standsIn } from '@mellow-anvil/core/abrasive';
import { shapeOfEdge } from '@mellow-anvil/core/blade';
import { Desk } from '../data/desk';
import { Figures } from '../ui/figures';
import { AbrasivesStore } from '../data/abrasives.store';
import { StonesStore } from '../data/stones.store';
import { stateWord } from '../words/care-words';
import { ChosenSet } from '../data/chosen-set';
import { railPlaces, railScale } from './rail-layout';
import { StoneGlyph } from '../drawings/stone-glyph';

const SPACING = 112;
const TICKS = [100, 50, 20, 10, 5, 2, 1, 0.5, 0.2];

/** The bench set along a logarithmic scale of microns; a plan lights its stones. */
@Component({
  selector: 'ma-rail',
  imports: [FormsModule, RouterLink, Select, StoneGlyph],
  templateUrl: './rail.html',
  host: { '[class.strip]': 'strip()' },
  styles: `
    :host {
      display: flex;
      background: var(--panel);
      border-top: 3px solid var(--leather);
    }
    section {
      flex: 1;
      min-width: 0;
      height: 126px;
      overflow-x: auto;
      overflow-y: hidden;
    }
    :host(.strip) section {
      height: var(--touch);
    }
    .empty {
      padding: 2.5rem 1.5rem;
    }
    .track {
      position: relative;
      height: 100%;
      min-width: 100%;
    }
    .scale {
      position: absolute;
      inset: 0;
    }
    .axis,
    .tick,
    .lead {
      stroke: var(--muted);
      fill: none;
    }
    .lead {
      stroke-dasharray: 2 3;
    }
    .lead.lit {
      stroke: var(--accent);
      stroke-dasharray: none;
      stroke-width: 2;
    }
    .scale text {
      fill: var(--muted);
      font-size: 13px;
    }
    .head {
      display: grid;
      align-content: start;
      gap: 0.3rem;
      padding: 0.5rem 0.6rem;
      flex: 0 0 13rem;
      box-sizing: border-box;
      grid-template-columns: minmax(0, 1fr);
      border-right: 1px solid var(--line);
      font-size: 0.9rem;
    }
    .head p-select {
      width: 100%;
      min-height: var(--touch);
      align-items: center;
    }
    .due {
      font-weight: 700;
      color: var(--danger);
    }
    .due svg,
    svg.due {
      width: 10px;
      height: 10px;
      fill: currentColor;
    }
    .stone {
      position: absolute;
      top: 2px;
      width: 108px;
      margin-left: -54px;
      height: 96px;
      display: grid;
      justify-items: center;
      align-content: start;
      gap: 1px;
      padding: 2px;
      border: 2px solid transparent;
      border-radius: var(--radius);
      background: none;
      color: var(--ink);
      font: inherit;
      font-size: 0.85rem;
      line-height: 1.15;
      cursor: pointer;
    }
    .stone:hover {
      border-color: var(--line);
    }
    .stone.lit {
      background: var(--raised);
      border-color: var(--accent);
    }
    .name {
      max-width: 100%;
      display: -webkit-box;
      -webkit-line-clamp: 2;
      -webkit-box-orient: vertical;
      overflow: hidden;
      overflow-wrap: anywhere;
    }
    .says {
      color: var(--muted);
      font-size: 0.8rem;
    }
    .lit .says {
      white-space: nowrap;
      color: var(--accent);
      font-size: 0.95rem;
    }
    .lit .says b {
      font-size: 1.15rem;
    }
    .aside .name {
      text-decoration: line-through;
    }
    ul {
      display: flex;
      align-items: center;
      gap: 0.2rem;
      height: 100%;
      margin: 0;
      padding: 0 0.4rem;
      list-style: none;
      white-space: nowrap;
    }
    li a {
      display: flex;
      align-items: center;
      gap: 0.35rem;
      min-height: 38px;
      padding: 0 0.5rem;
      color: var(--ink);
      font-size: 0.9rem;
      text-decoration: none;
    }
    li a:hover {
      text-decoration: underline;
    }
    :host(.strip) .head {
      padding: 0 0.6rem;
      flex-basis: auto;
      align-content: center;
    }
    @media (max-width: 40rem) {
      .head {
        display: none;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Rail {
  /** Whether the plan is in view: then stones are lit, and a tap lays one aside. */
  readonly planning = input(false);
  /** A strip of names, where the stones are beside the matter. */
  readonly strip = input(false);

  protected readonly figures = inject(Figures);
  private readonly desk = inject(Desk);
  private readonly router = inject(Router);
  private readonly store = inject(AbrasivesStore);
  protected readonly all = toSignal(this.store.inOrder$, { initialValue: [] });
  private readonly record = toSignal(inject(StonesStore).record$, { initialValue: {} as StonesRecord });
  protected readonly tool = toSignal(this.desk.tool$);
  protected readonly set = toSignal(this.desk.set$);
  protected readonly sets = toSignal(inject(ChosenSet).options$, { initialValue: [] });
  private readonly abrasives = computed(() => this.all().filter((stone) => standsIn(stone, this.set())));
  private readonly answer = toSignal(this.desk.answer$);
  private readonly room = signal(1280);

  constructor() {
    const host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    const destroyed = inject(DestroyRef);
    afterNextRender(() => {
      const rail = host.querySelector('section') ?? host;
      const observer = new ResizeObserver(() => this.room.set(rail.clientWidth || 1280));
      observer.observe(rail);
      destroyed.onDestroy(() => observer.disconnect());
    });
  }

  protected readonly layout = computed(() => {
    const sizes = this.abrasives().map(({ sizeUm }) => sizeUm);
    const width = Math.max(this.room(), sizes.length * SPACING);
    const at = railScale(sizes, width, SPACING / 2);
    const ticks = TICKS.map((um) => ({ um, x: at(um) })).filter(({ x }) => x > 10 && x < width - 10);
    return { width, ticks, places: railPlaces(sizes, width, SPACING) };
  });

  protected readonly stones = computed(() => {
    const answer = this.planning() ? this.answer() : undefined;
    const { steps: honed = [], strop, bareStrop } = answer?.plan ?? {};
    const used = [...honed, strop, bareStrop].filter((step) => step !== undefined);
    const steps = new Map(used.map((step) => [step.id, step.strokes]));
    const edge = this.tool()?.edge;
    const aside = new Set(answer?.request.laidAside);
    const { places } = this.layout();
    return this.abrasives().map((stone, i) => {
      const { left = 0, scaleAt = 0 } = places[i] ?? {};
      const strokes = steps.get(stone.id);
      const laid = aside.has(stone.id);
      const { label } = kindFacts(stone.kind);
      const care = this.record()[stone.id]?.care;
      const state = stateWord(stone, care);
      const use = strokes ? `, ${strokes} strokes in this plan` : laid ? ', laid aside' : '';
      return {
        ...stone,
        left,
        strokes,
        // What this edge may be honed or stropped on can be laid aside.
        serves: edge !== undefined && servesShape(stone, shapeOfEdge(edge)),
        state,
        due: care?.due !== undefined,
        aside: laid,
        lead: `M${left} 90L${scaleAt} 102`,
        words: `${stone.name}, ${label.toLowerCase()}, ${this.figures.number(stone.sizeUm, 1)} µm${state ? `, ${state}` : ''}${use}`,
      };
    });
  });

  /** How many stones of all want seeing to. */
  protected readonly wanting = computed(() => {
    const due = this.all().filter(({ id }) => this.record()[id]?.care.due).length;
    const words = due === 0 ? 'Stones in order' : due === 1 ? '1 wants seeing to' : `${due} want seeing to`;
    return { words, due: due > 0 };
  });

  protected choose(set: string): void {
    this.desk.chooseSet(set || undefined);
  }

  protected press(id: string, serves: boolean): void {
    if (this.planning() && serves) this.desk.toggle(id);
    else void this.router.navigate(['/stones', id]);
  }
}
