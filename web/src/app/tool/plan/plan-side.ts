import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Router, RouterLink } from '@angular/router';
import { Button, ButtonDirective } from 'primeng/button';
import { combineLatest, map, switchMap } from 'rxjs';
import type { Stored } from '@mellow-anvil/contract';
import type { CareKind, StonesRecord } from '@mellow-anvil/core/abrasive';
import { type Manner, mannerOf, type Tool } from '@mellow-anvil/core/blade';
import {
  edgeByWay,
  type HoningPlan,
  type PlanRequest,
  type School,
  type WayOut,
  type WorkOrder,
} from '@mellow-anvil/core/plan';
import { asItStands } from '@mellow-anvil/core/record';
import type { Plan } from '@mellow-anvil/core/workshop';
import { AbrasivesStore } from '../../data/abrasives.store';
import { StonesStore } from '../../data/stones.store';
import { ChosenSet } from '../../data/chosen-set';
import { CareOfStones } from '../../parts/care-of-stones';
import { Desk, recordReason, type Answer, type SetUp } from '../../data/desk';
import { runPlanOf, workOf, type Bench } from '../../data/to-bench';
import { RecordsStore, type Records } from '../../data/records.store';
import { RunsStore } from '../../data/runs.store';
import { Checks, type Sentences } from '../../ui/checks';
import { Figures } from '../../ui/figures';
import { WheelPasses } from '../../data/wheel-passes';
import { ToolsStore } from '../../data/tools.store';
import type { FieldChange } from '../../platform/change';
import { Notices } from '../../platform/notices';
import { conditionWords } from '../../words/condition-words';
import { IntakePanel } from './intake-panel';
import { KeptPlans } from './kept-plans';
import { PlanAnswer } from './plan-answer';
import { PlanAsks } from './plan-asks';
import { PlanResult } from './plan-result';
import { PlansStore } from '../../data/plans.store';
import { BackPanel } from './back-panel';
import { EqualPanel } from './equal-panel';
import { RegrindPanel } from './regrind-panel';
import { YearPanel } from './year-panel';
import { SchoolsPanel } from './schools-panel';
import { SweepPanel } from './sweep-panel';
import { WaysPanel } from './ways-panel';

type Draft = Omit<Plan, 'result'>;

/** The vise's third side: how dull it is, and what to do about it on the stones at hand. */
@Component({
  selector: 'ma-plan-side',
  imports: [
    Button,
    ButtonDirective,
    IntakePanel,
    KeptPlans,
    PlanAnswer,
    PlanAsks,
    PlanResult,
    BackPanel,
    EqualPanel,
    RegrindPanel,
    YearPanel,
    RouterLink,
    SchoolsPanel,
    SweepPanel,
    WaysPanel,
  ],
  templateUrl: './plan-side.html',
  styles: `
    :host {
      display: grid;
      gap: 0.8rem;
    }
    .glance {
      display: grid;
      grid-template-columns: 17rem minmax(0, 1fr);
      gap: 0.6rem 1.4rem;
      align-items: start;
    }
    .answer {
      display: grid;
      gap: 0.6rem;
    }
    @media (max-width: 48rem) {
      .glance {
        grid-template-columns: minmax(0, 1fr);
      }
      /* The answer first: what it was asked is right more often than not. */
      .answer {
        order: -1;
      }
    }
    .open {
      display: flex;
      flex-wrap: wrap;
      gap: 0.8rem;
      align-items: center;
      padding: 0.5rem 0.8rem;
      background: var(--accent-wash);
      border-left: var(--mark) solid var(--accent);
      font-weight: 700;
    }
    .which {
      display: flex;
      flex-wrap: wrap;
      gap: 0.4rem 0.6rem;
      align-items: center;
      margin: 0;
    }
    details {
      border-top: 3px solid var(--leather);
      padding-top: 0.4rem;
    }
    summary {
      cursor: pointer;
      font-weight: 700;
      font-size: 1.1rem;
      padding: 0.3rem 0;
      min-height: 34px;
    }
    .refused {
      display: grid;
      gap: 0.8rem;
      justify-items: start;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class PlanSide {
  readonly tool = input.required<Stored<Tool>>();

  protected readonly desk = inject(Desk);
  private readonly checks = inject(Checks);
  private readonly figures = inject(Figures);
  private readonly plans = inject(PlansStore);
  private readonly careOf = inject(CareOfStones);
  private readonly notices = inject(Notices);
  private readonly tools = inject(ToolsStore);

  private readonly runs = inject(RunsStore);
  private readonly router = inject(Router);

  protected readonly answer = toSignal(this.desk.answer$);
  protected readonly setUp = toSignal(this.desk.setUp$);
  private readonly openRuns = toSignal(this.runs.open$, { initialValue: [] });
  protected readonly openRun = computed(() =>
    this.openRuns().find(({ toolId }) => toolId === this.tool().id),
  );
  protected readonly since = computed(() => {
    const answer = this.answer();
    return answer ? recordReason(this.tool(), answer, this.figures.hand()) : '';
  });
  protected readonly stones = toSignal(inject(AbrasivesStore).inOrder$, { initialValue: [] });
  protected readonly keeping = signal(false);
  private readonly passes = inject(WheelPasses);
  protected readonly atWheel = toSignal(this.passes.atWheel$);
  private readonly hollow = toSignal(this.passes.hollow$);
  protected readonly record = toSignal(inject(StonesStore).record$, { initialValue: {} as StonesRecord });
  /** How much of the order is walked: as chosen for this tool, else by how often it was honed. */
  protected readonly manner = computed(() => mannerOf(this.tool(), this.answer()?.state?.honings ?? 0));
  private readonly bench = computed((): Bench => {
    const grinding = this.atWheel()?.run;
    const hollow = this.hollow();
    return {
      setUp: this.setUp(),
      stones: this.stones(),
      manner: this.manner(),
      ...(grinding && { grinding }),
      ...(hollow && { hollow }),
    };
  });
  protected readonly work = computed((): WorkOrder => {
    const answer = this.answer();
    return (answer && workOf(this.tool(), answer, this.bench())) ?? { steps: [], order: [] };
  });
  protected readonly set = toSignal(this.desk.set$);
  private readonly sets = toSignal(inject(ChosenSet).options$, { initialValue: [] });
  /** The sets to choose from, while nobody chose one for this tool: asked once, remembered with it. */
  protected readonly askedSets = computed(() =>
    this.tool().stoneSet === undefined && this.sets().length > 2 ? this.sets() : undefined,
  );
  /** What has been opened below the plan, and stays worked out. */
  protected readonly unfolded = signal<ReadonlySet<string>>(new Set());
  protected readonly standing = computed(() => asItStands(this.tool(), this.answer()?.state));
  protected readonly planned = computed(() => this.answer()?.plan?.steps.map(({ id }) => id) ?? []);
  protected readonly hasLand = computed(() => {
    const { edge } = this.tool();
    return edge.form === 'single-bevel' && edge.secondaryDeg !== undefined;
  });
  private readonly records = toSignal(inject(RecordsStore).records$, { initialValue: {} as Records });
  protected readonly perYear = computed(() => this.records()[this.tool().id]?.honingsPerYear);
  protected readonly life = computed(() => this.records()[this.tool().id]?.life);

  private readonly draft$ = combineLatest([this.desk.answer$, this.desk.setUp$, this.desk.tool$]).pipe(
    map(([answer, setUp, tool]) => answer && tool && this.draft(tool.id, answer, setUp)),
  );
  private readonly draftNow = toSignal(this.draft$);
  /** What the contract has against what is asked now, of this tool. */
  private readonly sentences = toSignal(
    combineLatest([this.draft$, this.desk.isAsked$]).pipe(
      switchMap(([draft, isAsked]): Promise<Sentences> =>
        draft && isAsked ? this.checks.sentencesFor('planDraftSchema', draft) : Promise.resolve({}),
      ),
    ),
    { initialValue: {} as Sentences },
  );

  protected readonly refusal = computed(() => {
    const [wrong] = Object.values(this.sentences());
    return wrong ?? this.answer()?.refusal?.message ?? '';
  });

  protected readonly said = computed(() => {
    const [sentences, refusal] = [this.sentences(), this.answer()?.refusal];
    return (part: string): string =>
      sentences[`request.${part}`] ?? (refusal?.field === part ? refusal.message : '');
  });

  protected toBench(): void {
    const answer = this.answer();
    const plan = answer && runPlanOf(this.tool(), answer, this.bench());
    if (plan) void this.router.navigate(['/bench', this.runs.begin(plan)]);
  }

  protected chooseManner(manner: Manner): void {
    this.change({ manner });
  }

  protected unfold(part: string, event: Event): void {
    if ((event.target as HTMLDetailsElement).open) this.unfolded.update((parts) => new Set([...parts, part]));
  }

  /** An exact order begins with the stones of the plan as it is. */
  protected choose(school: School, { steps }: HoningPlan): void {
    const order = this.answer()?.request.order ?? steps.map(({ id }) => id);
    this.desk.ask(school === 'exact' ? { school, order } : { school });
  }

  /** The last stone as a strop is a habit: it is kept with the tool. */
  protected ask(change: FieldChange<PlanRequest>): void {
    this.desk.ask(change);
    if (change.stropOnStone === undefined) return;
    const { onStone: _, ...counts } = this.tool().counts ?? {};
    this.change({ counts: { ...counts, ...(change.stropOnStone && { onStone: 'half' }) } });
  }

  /** Another way than these stones, one tap from being the plan. */
  protected takeWay(way: WayOut): void {
    if (way.ask) this.desk.ask(way.ask);
    if (way.stone) void this.router.navigate(['/stones/new']);
    const { edge: now } = this.tool();
    const edge = edgeByWay(now, way);
    if (edge !== now) this.change({ edge });
  }

  /** An old back planned by one of its ways. */
  protected takeBack({ edge, oldBack }: Pick<Tool, 'edge'> & Pick<PlanRequest, 'oldBack'>): void {
    this.desk.ask({ oldBack });
    this.change({ edge });
  }

  private change(content: Partial<Tool>): void {
    const tool = this.tool();
    this.tools.amend(tool, content).subscribe({ error: (reason: unknown) => this.notices.refused(reason) });
  }

  /** Care of a stone, done: one tap and a record. */
  protected care({ id, kind }: { readonly id: string; readonly kind: CareKind }): void {
    const stone = this.stones().find((each) => each.id === id);
    if (stone) this.careOf.done(stone, kind);
  }

  protected keep(): void {
    const draft = this.draftNow();
    if (!draft) return;
    this.keeping.set(true);
    this.plans.create(draft).subscribe({
      next: ({ name }) => {
        this.keeping.set(false);
        this.notices.done(`Kept: ${name}.`);
      },
      error: (reason: unknown) => {
        this.keeping.set(false);
        this.notices.refused(reason);
      },
    });
  }

  private draft(toolId: string, { request }: Answer, setUp: SetUp | undefined): Draft {
    const name = `${capital(conditionWords(request.condition))}, to ${this.figures.number(request.finishUm, 1)} µm`;
    // An empty field leaves its part of the request out, rather than sending it as nothing.
    const filled = Object.fromEntries(Object.entries(request).filter(([, value]) => value !== undefined));
    return {
      name,
      toolId,
      ...(setUp && { guideId: setUp.guide.id, ...(setUp.seat && { seatName: setUp.seat.name }) }),
      request: filled as unknown as PlanRequest,
    };
  }
}

const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);
