import {
  ChangeDetectionStrategy,
  Component,
  computed,
  effect,
  inject,
  input,
  signal,
  untracked,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { Button } from 'primeng/button';
import { SelectButton } from 'primeng/selectbutton';
import type { Stored } from '@mellow-anvil/contract';
import type { Tool } from '@mellow-anvil/core/blade';
import type { CamberRead } from '@mellow-anvil/core/camber';
import { nextCamberReading, type Session } from '@mellow-anvil/core/record';
import { AbrasivesStore } from '../../data/abrasives.store';
import { Desk } from '../../data/desk';
import { camberWords } from '../../words/entry-words';
import { RecordsStore, type Records } from '../../data/records.store';
import { SessionsStore } from '../../data/sessions.store';
import { contentOf } from '../../data/collection.store';
import { Figures } from '../../ui/figures';
import { Notices } from '../../platform/notices';
import { ToolsStore } from '../../data/tools.store';
import type { Iron } from './camber-draft';
import { asIron, bedOf, designed, draftOf, type CamberDraft } from './camber-draft';
import { DesignPanel } from './design-panel';
import { MakePanel } from './make-panel';
import { ReadCaliper } from './read-caliper';
import { ReadLight } from './read-light';
import { ReadShaving } from './read-shaving';
import { ReadTracks } from './read-tracks';
import { TrackPanel } from './track-panel';
import { Draft } from '../../ui/draft';
import type { FieldChange } from '../../platform/change';

type Part = 'design' | 'make' | 'read' | 'track';
const PARTS: readonly { readonly value: Part; readonly label: string }[] = [
  { value: 'design', label: 'Design it' },
  { value: 'make', label: 'Make it' },
  { value: 'read', label: 'Read it back' },
  { value: 'track', label: 'Over its life' },
];
type By = 'shaving' | 'light' | 'caliper' | 'tracks';
const BYS: readonly { readonly value: By; readonly label: string }[] = [
  { value: 'shaving', label: 'By its shaving' },
  { value: 'light', label: 'By the light' },
  { value: 'caliper', label: 'With a caliper' },
  { value: 'tracks', label: 'By the board’s tracks' },
];

/** How a reading is named where one is advised. */
const READ_BY = {
  shaving: 'a shaving’s thickness and width',
  light: 'the light under a straightedge',
  caliper: 'the caliper, at nine places',
} as const satisfies Record<CamberRead['by'], string>;
/** A shaving nobody gave, mm. */
const USUAL_SHAVING_MM = 0.05;

/** The vise's side for irons: how the edge is curved across its width, designed, made, read back, followed. */
@Component({
  selector: 'ma-camber-side',
  imports: [
    Button,
    DesignPanel,
    FormsModule,
    MakePanel,
    ReadCaliper,
    ReadLight,
    ReadShaving,
    ReadTracks,
    SelectButton,
    TrackPanel,
  ],
  templateUrl: './camber-side.html',
  styles: `
    :host {
      display: grid;
      grid-template-columns: minmax(0, 1fr);
      gap: 0.9rem;
    }
    .told {
      border-left: var(--mark) solid var(--leather);
      padding-left: 0.8rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CamberSide {
  readonly tool = input.required<Stored<Tool>>();
  private readonly tools = inject(ToolsStore);
  private readonly desk = inject(Desk);
  private readonly sessions = inject(SessionsStore);
  private readonly notices = inject(Notices);
  private readonly figures = inject(Figures);
  private readonly records = toSignal(inject(RecordsStore).records$, { initialValue: {} as Records });
  protected readonly nameOf = toSignal(inject(AbrasivesStore).nameOf$, { requireSync: true });
  protected readonly answer = toSignal(this.desk.answer$);
  protected readonly parts = [...PARTS];
  protected readonly bys = [...BYS];
  protected readonly part = signal<Part>('design');
  protected readonly by = signal<By>('shaving');
  protected readonly iron = computed(() => asIron(this.tool()));
  protected readonly state = computed(() => this.records()[this.tool().id]?.state.camber);
  private readonly curve = new Draft<Tool, CamberDraft>({
    keeper: this.tools,
    schema: 'toolSchema',
    begin: { job: 'smoothing', front: { shape: 'straight' } },
    draftOf: (tool) => draftOf(tool as Iron),
    sent: (draft, stored) =>
      stored ? contentOf(designed(stored as Stored<Iron>, draft) as Stored<Tool>) : draft,
  });
  protected readonly draft = computed(() => this.curve.stored() && this.curve.draft());
  protected readonly sentences = this.curve.sentences;
  protected readonly unsaved = this.curve.refusal;

  /** What the next honing owes the curve, as the plan has it. */
  protected readonly correction = computed(() => {
    const { plan, request } = this.answer() ?? {};
    if (request?.camber?.positions === 0) return 'The next honing leaves the curve alone.';
    if (plan?.camber)
      return `Kept for the next honing: ${plan.camber.places.join(' · ')} strokes, left to right, on the ${this.nameOf()(plan.camber.id)}.`;
    if (plan?.curveToGrind) return 'Kept for next time: the curve is to be ground to its template.';
    return 'As it stands, the next honing needs no strokes by place to change the curve.';
  });

  /** The reading that would save most of the strokes by place. */
  protected readonly worthReading = computed(() => {
    const [state, iron] = [this.state(), this.iron()];
    if (!state || !iron) return '';
    const next = nextCamberReading(state, {
      widthMm: iron.edge.widthMm,
      bedDeg: bedOf(iron),
      shavingMm: draftOf(iron).shavingMm ?? USUAL_SHAVING_MM,
      planned: this.answer()?.plan?.camber,
    });
    if (!next) return '';
    const { by, costMin, savesMin, pmMm, leavesPmMm } = next;
    const saves =
      savesMin === undefined ? '' : ` It saves about ${this.figures.minutes(savesMin)} of strokes.`;
    return `Worth reading next: ${READ_BY[by]}, ${this.figures.minutes(costMin)}. ± ${this.figures.sliver(pmMm)} becomes ± ${this.figures.sliver(leavesPmMm)}.${saves}`;
  });

  constructor() {
    effect(() => {
      const iron = this.iron();
      untracked(() => this.curve.load(iron));
    });
  }

  protected set(change: FieldChange<CamberDraft>): void {
    this.curve.set(change);
  }

  protected press(positions: 0 | 3 | 5): void {
    const { camberMm = 0, leanMm = 0, factor = 1 } = this.state() ?? {};
    this.desk.ask({ camber: { positions, nowMm: camberMm, leanMm, factor } });
  }

  /** Honed though a strop would do: for its curve. */
  protected hone(): void {
    this.desk.ask({ stropOnly: false });
  }

  protected keep(): Promise<void> {
    return this.curve.keepChanges();
  }

  protected record(camber: CamberRead): void {
    const entry: Session = {
      toolId: this.tool().id,
      kind: 'measuring',
      startedAt: new Date().toISOString(),
      camber: {
        ...camber,
        camberMm: Number(camber.camberMm.toFixed(5)),
        pmMm: Number(camber.pmMm.toFixed(5)),
        ...(camber.leanMm !== undefined && { leanMm: Number(camber.leanMm.toFixed(5)) }),
      },
    };
    this.sessions.create(entry).subscribe({
      next: () => this.notices.done(`${camberWords(camber, this.figures)}; it is in the record.`),
      error: (reason: unknown) => this.notices.refused(reason),
    });
  }
}
