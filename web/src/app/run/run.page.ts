import {
  ChangeDetectionStrategy,
  Component,
  DestroyRef,
  afterRenderEffect,
  computed,
  effect,
  inject,
  input,
  signal,
  viewChild,
  type ElementRef,
} from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { Button, ButtonDirective } from 'primeng/button';
import { switchMap } from 'rxjs';
import { strokesLeft, type RunFact, type RunGrinding } from '@mellow-anvil/core';
import { AbrasivesStore } from '../abrasives/abrasives.store';
import { Figures } from '../shared/figures';
import { ToolsStore } from '../tools/tools.store';
import { BurrGate } from './burr-gate';
import { ProofGate } from './proof-gate';
import { RunSummaryCard } from './run-summary';
import { RunsStore } from './runs.store';
import { StayAwake } from './stay-awake';
import { CAUTIONS, SENT_BACK, WASH, feelFor } from './station-words';

/** At the bench: one step at a time over the whole screen, for wet hands at arm's length. */
@Component({
  selector: 'ma-run',
  imports: [BurrGate, Button, ButtonDirective, ProofGate, RouterLink, RunSummaryCard],
  templateUrl: './run.page.html',
  styleUrl: './run.page.css',
  host: { '(document:keydown)': 'pressed($event)', '(click)': 'tapped($event)' },
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class RunPage {
  /** The run's id, from the address. */
  readonly id = input.required<string>();

  private readonly runs = inject(RunsStore);
  private readonly router = inject(Router);
  protected readonly figures = inject(Figures);
  private readonly tools = toSignal(inject(ToolsStore).items$, { initialValue: [] });
  private readonly abrasives = inject(AbrasivesStore);
  private readonly stones = toSignal(this.abrasives.inOrder$, { initialValue: [] });
  private readonly nameOf = toSignal(this.abrasives.nameOf$, { requireSync: true });
  private readonly bench = computed(() => this.runs.run(this.id()));
  private readonly tapper = viewChild<ElementRef<HTMLElement>>('tapper');

  protected readonly view = toSignal(toObservable(this.bench).pipe(switchMap((bench) => bench.view$)));
  protected readonly looked = signal(false);
  protected readonly stopping = signal(false);
  protected readonly run = computed(() => this.view()?.run);
  protected readonly tool = computed(() => this.tools().find(({ id }) => id === this.run()?.plan.toolId));
  protected readonly station = computed(() => {
    const run = this.run();
    return run?.stations[run.at];
  });
  /** The step of the stone at hand. */
  protected readonly step = computed(() => {
    const [run, station] = [this.run(), this.station()];
    if (!run || station?.kind !== 'stone') return undefined;
    const step = run.steps[station.step];
    if (!step) return undefined;
    const stone = this.stones().find(({ id }) => id === step.abrasiveId);
    return {
      ...step,
      index: station.step,
      left: strokesLeft(step),
      over: step.strokes - step.target,
      name: this.nameOf()(step.abrasiveId),
      grain: stone ? `${this.figures.number(stone.sizeUm, 1)} µm` : '',
      feel: feelFor(stone, station.step, run.plan.steps),
      wash: station.step > 0 ? WASH : '',
    };
  });
  protected readonly setting = computed(() => {
    const station = this.station();
    return station?.kind === 'set' ? station.setting : undefined;
  });
  protected readonly wheel = computed(() => {
    const station = this.station();
    return station?.kind === 'grind' ? station.grinding : undefined;
  });
  protected readonly sentBack = computed(() => SENT_BACK[this.run()?.sentBackBy ?? 'all-along'] ?? '');
  protected readonly caution = computed(() => CAUTIONS[this.station()?.kind ?? ''] ?? '');
  protected readonly title = computed(() => {
    const [station, step] = [this.station(), this.step()];
    if (step) return step.name;
    const words = {
      grind: 'At the wheel',
      set: 'Set the guide',
      burr: 'Feel for the burr',
      'burr-off': 'Take off the burr',
      proof: 'Prove it',
    };
    return station && station.kind !== 'stone' ? words[station.kind] : '';
  });
  protected readonly strokesMade = computed(
    () => this.run()?.steps.reduce((sum, { strokes }) => sum + strokes, 0) ?? 0,
  );
  /** Where the events are: kept by the server, or on this device only until it answers. */
  protected readonly kept = computed(() => {
    const view = this.view();
    if (!view || view.unsent === 0) return 'Kept';
    const events = view.unsent === 1 ? '1 entry' : `${view.unsent} entries`;
    return view.trouble ? `${events} safe on this device, waiting for the program` : 'Keeping…';
  });

  constructor() {
    inject(StayAwake).while(inject(DestroyRef));
    effect(() => {
      this.looked.set(false);
      void this.bench()
        .load()
        .then(() => this.looked.set(true));
    });
    // A new stone takes the focus, so that space and Enter count from the first stroke on.
    const stone = computed(() => (this.stopping() ? undefined : this.step()?.index));
    afterRenderEffect(() => {
      if (stone() !== undefined) this.tapper()?.nativeElement.focus();
    });
  }

  /** What stands under the number of passes. */
  protected passWords(passes: number, { passS, dipS }: RunGrinding): string {
    const each = passS === undefined ? '' : ` of at most ${this.figures.number(passS, 0)} s`;
    const dip = dipS === undefined ? '' : `, each with a dip of ${this.figures.number(dipS, 0)} s`;
    return `${passes === 1 ? 'pass' : 'passes'}${each}${dip}`;
  }

  protected add(fact: RunFact): void {
    this.bench().add(fact);
  }

  protected count(strokes: number): void {
    this.add({ kind: 'strokes', count: strokes });
  }

  /** Beside the figure counts too, unless it is a target of its own. */
  protected tapped({ target }: Event): void {
    const counting = this.station()?.kind === 'stone' && !this.stopping() && !this.run()?.ended;
    if (counting && (target as HTMLElement).closest('button, a') === null) this.count(1);
  }

  /** Page Down and foot pedals count wherever the focus is; space and Enter unless on a button. */
  protected pressed(event: KeyboardEvent): void {
    if (event.repeat || event.ctrlKey || event.metaKey || event.altKey) return;
    if (this.stopping() || this.run()?.ended) return;
    const onControl = (event.target as HTMLElement).closest('button, a, input') !== null;
    if (event.key !== 'PageDown' && (onControl || (event.key !== ' ' && event.key !== 'Enter'))) return;
    const kind = this.station()?.kind;
    if (kind === 'stone') this.count(1);
    else if (kind === 'grind' || kind === 'set' || kind === 'burr-off') this.add({ kind: 'done' });
    else return;
    event.preventDefault();
  }

  protected finish(): void {
    this.stopping.set(false);
    this.add({ kind: 'finished' });
  }

  protected throwAway(): void {
    this.add({ kind: 'thrown-away' });
    void this.router.navigate(['/tools', this.run()?.plan.toolId, 'plan']);
  }
}
