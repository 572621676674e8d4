import { isCurved } from '@mellow-anvil/core/camber';
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
import { EMPTY, distinctUntilChanged, map, switchMap } from 'rxjs';
import type { Count } from '@mellow-anvil/core/blade';
import { seenInRun } from '@mellow-anvil/core/advice';
import { type BackHollow, purposeOf, type RunGrinding, type Station, isGate } from '@mellow-anvil/core/plan';
import { forcesOf, laggingPlaces } from '@mellow-anvil/core/record';
import { asPlanned, type Heat, ledBack, type PutIn, type RunFact } from '@mellow-anvil/core/run';
import { Desk } from '../data/desk';
import { AbrasivesStore } from '../data/abrasives.store';
import { RecordsStore } from '../data/records.store';
import { Figures } from '../ui/figures';
import { ToolsStore } from '../data/tools.store';
import { BurrGate, type BurrFelt } from './burr-gate';
import { Cautions, FIRST_OF_ALL } from './cautions';
import {
  APEX_ANSWERS,
  ChoiceGate,
  GOUGE_ANSWERS,
  HEAT_ANSWERS,
  LIGHT_ANSWERS,
  POLISH_ANSWERS,
  SCRATCH_ANSWERS,
} from './choice-gate';
import { NailGate } from './nail-gate';
import { OtherSteps } from './other-steps';
import { ProofGate } from './proof-gate';
import { provedWords } from '../words/proof-words';
import { RunSummaryCard } from './run-summary';
import { RunsStore } from '../data/runs.store';
import { STATION_TEXT, TOLD, sideNamesOf, type StationText } from '../words/station-words';
import { textAtHand, titleAtHand } from '../words/station-at-hand';
import { MarkerGate } from './marker-gate';
import { Notices } from '../platform/notices';
import { StayAwake } from '../platform/stay-awake';
import { RunList } from './run-list';
import { StationDrawing } from '../drawings/station-drawing';
import type { SceneOf } from '../drawings/scene-marks';
import { StoneStation, stoneView } from './stone-station';

/** At the bench: one step at a time over the whole screen, for wet hands at arm's length. */
@Component({
  selector: 'ma-run',
  imports: [
    BurrGate,
    Button,
    ButtonDirective,
    ChoiceGate,
    MarkerGate,
    NailGate,
    OtherSteps,
    ProofGate,
    RouterLink,
    RunList,
    RunSummaryCard,
    StationDrawing,
    StoneStation,
  ],
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
  private readonly cautions = inject(Cautions);
  private readonly desk = inject(Desk);
  private readonly records = inject(RecordsStore);
  protected readonly figures = inject(Figures);
  private readonly notices = inject(Notices);
  private readonly toolsStore = inject(ToolsStore);
  private readonly tools = toSignal(this.toolsStore.items$, { initialValue: [] });
  private readonly abrasives = inject(AbrasivesStore);
  private readonly stones = toSignal(this.abrasives.inOrder$, { initialValue: [] });
  protected readonly nameOf = toSignal(this.abrasives.nameOf$, { requireSync: true });
  private readonly bench = computed(() => this.runs.run(this.id()));
  private readonly tapper = viewChild<ElementRef<HTMLElement>>('next');

  protected readonly view = toSignal(toObservable(this.bench).pipe(switchMap((bench) => bench.view$)));
  /** The round whose knives were last said to be in the jig. */
  protected readonly changed = signal('');
  protected readonly looked = signal(false);
  protected readonly stopping = signal(false);
  protected readonly other = signal(false);
  /** The whole order on one screen, to tick off. */
  protected readonly listed = signal(false);
  protected readonly run = computed(() => this.view()?.run);
  protected readonly tool = computed(() => this.tools().find(({ id }) => id === this.run()?.plan.toolId));
  protected readonly station = computed((): Station | undefined => {
    const run = this.run();
    return run?.stations[run.at];
  });
  private readonly kind = computed(() => this.station()?.kind);
  protected readonly isLast = computed(() => {
    const run = this.run();
    return run !== undefined && run.at === run.stations.length - 1;
  });
  /** The step of the stone at hand. */
  protected readonly step = computed(() => {
    const [run, station] = [this.run(), this.station()];
    if (!run || station?.kind !== 'stone') return undefined;
    return stoneView(run, station.step, this.stones(), this.nameOf(), this.tool(), this.figures);
  });
  protected readonly sideNames = computed(() => sideNamesOf(this.tool()?.edge));
  protected readonly setting = computed(() => {
    const station = this.station();
    return station?.kind === 'set' ? station.setting : undefined;
  });
  protected readonly lift = computed(() => {
    const station = this.station();
    return station?.kind === 'lift' ? station.lift : undefined;
  });
  protected readonly wheel = computed(() => {
    const station = this.station();
    return station?.kind === 'grind' ? { ...station.grinding, pastColour: station.pastColour } : undefined;
  });
  protected readonly hollow = computed(() => {
    const station = this.station();
    return station?.kind === 'hollow' ? station.hollowing : undefined;
  });
  /** Whose target it is that leaves a station: that of any wheel is one. */
  protected readonly target = computed(() => (this.hollow() ? 'grind' : this.kind()));
  protected readonly raises = computed(() => {
    const station = this.station();
    return station?.kind === 'burr' && station.wanted === true;
  });
  /** The side a burr is felt on: where one side raised it, the other; of earlier releases both at once. */
  protected readonly burrSides = computed((): readonly string[] => {
    const station = this.station();
    const sided = station?.kind === 'burr' && (station.side !== undefined || station.wanted === true);
    return sided ? [''] : this.sideNames();
  });
  /** Strokes are taken as made, and one tap proves: as a practised hand wants it. */
  protected readonly brisk = computed(() => this.run()?.plan.manner === 'brisk');
  private readonly setUp = toSignal(this.desk.setUp$);
  /** What the station is drawn from. */
  protected readonly scene = computed((): SceneOf | undefined => {
    const [run, station, tool, setUp] = [this.run(), this.station(), this.tool(), this.setUp()];
    if (!run || !station || !tool) return undefined;
    const stones = new Map(this.stones().map((stone) => [stone.id, stone]));
    return {
      run,
      station,
      edge: tool.edge,
      ...(setUp && { setUp }),
      stoneOf: (id) => stones.get(id),
      deg: (angle) => this.figures.angle(angle),
    };
  });
  protected readonly eyes = computed(() => this.run()?.confirmed.includes('eyes') ?? false);
  protected readonly planes = computed(() => isCurved(this.tool()?.family));
  protected readonly caution = computed(() => {
    const kind = this.kind();
    return kind && this.cautions.at(kind);
  });
  protected readonly rules = FIRST_OF_ALL;
  protected readonly scratchAnswers = SCRATCH_ANSWERS;
  protected readonly heatAnswers = HEAT_ANSWERS;
  protected readonly lightAnswers = LIGHT_ANSWERS;
  protected readonly endAnswers = computed(() =>
    this.tool()?.edge.form === 'v' ? APEX_ANSWERS : GOUGE_ANSWERS,
  );
  protected readonly polishAnswers = POLISH_ANSWERS;

  /** A station that is only done, in words. */
  protected readonly text = computed((): StationText | undefined => {
    const station = this.station();
    return station && textAtHand(station, this.tool()?.edge, this.nameOf());
  });
  /** Whether the station is only done, by one large target. */
  protected readonly plain = computed(() => {
    const text = this.text();
    return text !== undefined && text.does.length > 0;
  });
  protected readonly title = computed(() => {
    const [step, station, text] = [this.step(), this.station(), this.text()];
    return step?.name ?? (station && text ? titleAtHand(station, this.tool()?.edge, text) : '');
  });
  protected readonly strokesMade = computed(
    () => this.run()?.steps.reduce((sum, { strokes }) => sum + strokes, 0) ?? 0,
  );
  protected readonly told = computed(() => {
    const told = this.run()?.told;
    if (!told) return '';
    const places = told.press?.map((place) => BURR_PLACES[place]).join(', ');
    return `${TOLD[told.by]}${places ? ` (${places})` : ''}`;
  });
  /** What the Puzzle begins with, where something has gone wrong. */
  protected readonly puzzle = computed(() => {
    const run = this.run();
    if (!run) return undefined;
    const { symptoms, looks } = seenInRun(run.history, run.proof);
    const looked = Object.keys(looks);
    return {
      tool: run.plan.toolId,
      run: this.id(),
      ...(symptoms.length > 0 && { seen: symptoms.join(',') }),
      ...(looked.length > 0 && { looked: looked.join(',') }),
    };
  });
  protected readonly atGate = computed(() => isGate(this.kind()) || this.told() !== '');
  /** Where an edge that falls short is led back to. */
  protected readonly short = computed(() => {
    const run = this.run();
    if (!run || this.kind() !== 'proof') return undefined;
    const failed = run.proof.find(({ passed }) => !passed);
    const back = failed && ledBack(run, failed.test);
    if (!back) return undefined;
    const to = run.stations[back.station];
    const name =
      to?.kind === 'stone'
        ? this.nameOf()(run.steps[to.step]?.abrasiveId ?? '')
        : to && STATION_TEXT[to.kind].title.toLowerCase();
    return { ...back, name };
  });
  private readonly life = toSignal(
    toObservable(this.run).pipe(
      map((run) => run?.plan.toolId),
      distinctUntilChanged(),
      switchMap((id) => (id ? this.records.life(id) : EMPTY)),
    ),
  );
  private readonly earlier = computed(() => {
    const started = this.run()?.startedAt ?? '';
    return (this.life()?.entries ?? [])
      .map(({ session }) => session)
      .filter(({ startedAt }) => startedAt < started);
  });
  /** What this tool has needed to part a thread before, N. */
  protected readonly forces = computed(() => forcesOf(this.earlier()));
  /** A place that lagged in earlier runs is told before it lags again. */
  protected readonly lags = computed(() => {
    const [run, station] = [this.run(), this.station()];
    const step = station?.kind === 'stone' ? run?.plan.steps[station.step] : undefined;
    const raises =
      step &&
      purposeOf(step) === 'edge' &&
      run?.plan.steps.find((each) => purposeOf(each) === 'edge') === step;
    if (!raises && station?.kind !== 'burr') return '';
    return laggingPlaces(this.earlier())
      .map(
        ({ place, times, of }) =>
          `The ${BURR_PLACES[place]} lagged in ${String(times)} of the last ${String(of)}: press there from the first stroke.`,
      )
      .join(' ');
  });
  /** How the edge proved itself last time. */
  protected readonly lastProof = computed(() => {
    const run = this.run();
    const last = this.life()?.entries.findLast(
      ({ session }) => session.outcome?.proof && session.startedAt < (run?.startedAt ?? ''),
    );
    return last ? provedWords(last.session, this.figures) : '';
  });
  protected readonly stoneOptions = computed(() =>
    this.stones().map(({ id, name }) => ({ value: id, label: name })),
  );
  /** Where the events are: kept by the server, or on this device only until it answers. */
  protected readonly kept = computed(() => {
    const view = this.view();
    if (!view || view.unsent === 0) return 'Kept';
    const events = view.unsent === 1 ? '1 entry' : `${view.unsent} entries`;
    return view.trouble ? `${events} safe on this device, waiting for the program` : 'Keeping…';
  });
  protected readonly spoken = computed(() => {
    const step = this.step();
    return step ? `${step.left} strokes left${step.visit ? `, ${step.visit.words}` : ''}` : '';
  });

  constructor() {
    inject(StayAwake).while(inject(DestroyRef));
    effect(() => {
      this.looked.set(false);
      void this.bench()
        .load()
        .then(() => this.looked.set(true));
    });
    effect(() => this.desk.takeUp(this.run()?.plan.toolId));
    effect(() => {
      const kind = this.kind();
      if (kind) this.cautions.said(kind);
    });
    // A new station takes the focus to its one large target, so that space and Enter go on from the first press.
    const place = computed(() =>
      this.stopping() || this.other() || this.listed() ? undefined : this.run()?.at,
    );
    afterRenderEffect(() => {
      if (place() === undefined) return;
      const target =
        this.tapper()?.nativeElement ?? document.querySelector<HTMLElement>('ma-run .figure-zone');
      target?.focus();
    });
  }

  /** What stands under the number of passes. */
  protected passWords(passes: number, { passS, dipS }: Pick<RunGrinding, 'passS' | 'dipS'>): string {
    const each = passS === undefined ? '' : ` of at most ${this.figures.number(passS, 0)} s`;
    const dip = dipS === undefined ? '' : `, each with a dip of ${this.figures.number(dipS, 0)} s`;
    return `${passes === 1 ? 'pass' : 'passes'}${each}${dip}`;
  }

  /** What stands under the number of hollows. */
  protected hollowWords({ hollows, chordMm, depthMm, rimMm, passes, ...pass }: BackHollow): string {
    const inPasses = passes === undefined ? '' : `. ${String(passes)} ${this.passWords(passes, pass)}`;
    const each = `${this.figures.length(chordMm)} wide and ${this.figures.length(depthMm)} deep`;
    return `${hollows === 1 ? 'hollow' : 'hollows, each'} ${each}; ${this.figures.length(rimMm)} left flat at the edge${inPasses}`;
  }

  protected add(fact: RunFact): void {
    this.bench().add(fact);
  }

  /** Counted so from now on, and with this tool the next time too. */
  protected countBy(by: Count): void {
    this.add({ kind: 'counted-by', by });
    const [tool, run, station] = [this.tool(), this.run(), this.station()];
    const step = station?.kind === 'stone' ? run?.plan.steps[station.step] : undefined;
    // A body is counted by its two sides.
    if (!tool || !step || step.facet === 'body') return;
    const on = step.purpose === 'draws' ? 'onStone' : step.afterBurr ? 'strop' : 'stone';
    this.toolsStore
      .amend(tool, { counts: { ...tool.counts, [on]: by } })
      .subscribe({ error: (reason: unknown) => this.notices.refused(reason) });
  }

  protected count(strokes: number): void {
    // Knives are changed first: the tap says that they are in.
    if (strokes > 0 && this.changing()) {
      this.changed.set(this.step()?.change?.round ?? '');
      return;
    }
    // Ten more end where the knives are changed.
    this.add({ kind: 'strokes', count: Math.min(strokes, this.ofRound() ?? strokes) });
  }

  /** Knives are to be changed before the next stroke. */
  protected readonly changing = computed(() => {
    const round = this.step()?.change?.round;
    return round !== undefined && round !== this.changed();
  });
  /** Of a set: strokes left of the round, while there are rounds. */
  protected readonly ofRound = computed(() => {
    const step = this.step();
    return step?.tally && step.visit?.left;
  });

  protected burr(felt: BurrFelt): void {
    this.add({ kind: 'burr', ...felt });
  }

  /** The station at hand as when all is well: its strokes made, its question answered. */
  protected allWell(): void {
    const [ofRound, left] = [this.ofRound(), this.step()?.left ?? 0];
    if (ofRound !== undefined && (this.changing() || ofRound < left)) this.count(ofRound);
    else this.asPlanned();
  }

  private asPlanned(): void {
    const run = this.run();
    for (const fact of run ? asPlanned(run) : []) this.add(fact);
  }

  /** Everything up to a station done as planned, one after the other; a wheel or a machine waits for its own tick. */
  protected tickTo(index: number): void {
    for (let run = this.run(); run && !run.ended && run.at <= index; run = this.run()) {
      const kind = run.stations[run.at]?.kind;
      if (run.at < index && (kind === 'grind' || kind === 'hollow' || kind === 'isolate')) return;
      const before = run.events;
      this.asPlanned();
      if (this.run()?.events === before) return;
    }
  }

  protected heat(heat: string): void {
    this.add({ kind: 'heated', heat: heat as Heat });
  }

  protected putIn(work: PutIn): void {
    this.other.set(false);
    this.add({ kind: 'put-in', work });
  }

  protected otherwise(fact: RunFact): void {
    this.other.set(false);
    this.add(fact);
  }

  /** Beside the figure counts too, unless it is a target of its own. */
  protected tapped({ target }: Event): void {
    if (this.kind() !== 'stone' || this.busy()) return;
    if ((target as HTMLElement).closest('button, a, input, label, .p-select, .p-overlay') === null)
      this.count(1);
  }

  /** Page Down and foot pedals count wherever the focus is; space and Enter unless on a button. */
  protected pressed(event: KeyboardEvent): void {
    if (event.repeat || event.ctrlKey || event.metaKey || event.altKey || this.busy()) return;
    const onControl =
      (event.target as HTMLElement).closest('button, a, input, [role=combobox], [role=listbox]') !== null;
    if (event.key !== 'PageDown' && (onControl || (event.key !== ' ' && event.key !== 'Enter'))) return;
    if (this.kind() === 'stone') this.count(1);
    else if (this.goesOn()) this.done();
    else return;
    event.preventDefault();
  }

  protected done(): void {
    if (this.isLast()) this.finish();
    else this.add({ kind: 'done' });
  }

  protected finish(): void {
    this.stopping.set(false);
    this.add({ kind: 'finished' });
  }

  protected throwAway(): void {
    this.add({ kind: 'thrown-away' });
    void this.router.navigate(['/tools', this.run()?.plan.toolId, 'plan']);
  }

  private busy(): boolean {
    return this.stopping() || this.other() || this.listed() || this.run()?.ended !== undefined;
  }

  /** Whether the station at hand is left by its one target. */
  private goesOn(): boolean {
    const kind = this.kind();
    if (this.target() === 'grind') return this.eyes();
    return kind === 'set' || kind === 'lift' || this.plain();
  }
}

const BURR_PLACES = ['left end', 'half left', 'middle', 'half right', 'right end'] as const;
