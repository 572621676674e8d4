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
import { Router } from '@angular/router';
import { SelectButton } from 'primeng/selectbutton';
import { TIP_RADIUS_UM, type Tool, usualEdge } from '@mellow-anvil/core/blade';
import { CURVED_FAMILIES } from '@mellow-anvil/core/camber';
import { asItStands, type Session } from '@mellow-anvil/core/record';
import type { Stored } from '@mellow-anvil/contract';
import { AdvicePanel } from './advice-panel';
import { Desk } from '../../data/desk';
import { LAND_FROM } from '../../words/land-words';
import { RecordsStore, type Records } from '../../data/records.store';
import { SessionsStore } from '../../data/sessions.store';
import { contentOf } from '../../data/collection.store';
import { Checks } from '../../ui/checks';
import { Figures } from '../../ui/figures';
import { Notices } from '../../platform/notices';
import { BackPanel } from './back-panel';
import { readable, type BladeDraft, type EdgeDraft } from '../../drawings/blade';
import { EdgeDesk } from './edge-desk';
import { HandlesPanel } from './handles-panel';
import { HostPanel } from './host-panel';
import { KeepPanel } from './keep-panel';
import { HeelPanel } from './heel-panel';
import { SkewPanel } from './skew-panel';
import { TracedPanel } from './traced-panel';
import { ToolsStore } from '../../data/tools.store';
import { Draft } from '../../ui/draft';
import type { FieldChange } from '../../platform/change';

type Panel = 'plane' | 'advice' | 'keep' | 'back' | 'traced' | 'heel' | 'skew' | 'handles';
const PANELS: readonly { readonly value: Panel; readonly label: string }[] = [
  { value: 'plane', label: 'In its plane' },
  { value: 'advice', label: 'Which angle, how fine' },
  { value: 'keep', label: 'Against another angle' },
  { value: 'back', label: 'Its back' },
  { value: 'traced', label: 'From a tracing' },
  { value: 'heel', label: 'A second edge at the heel' },
  { value: 'skew', label: 'Turned to the cut' },
  { value: 'handles', label: 'Its handles' },
];

/** The vise's first side: the edge as it is, changed where it stands and kept at once. */
@Component({
  selector: 'ma-edge-side',
  imports: [
    AdvicePanel,
    BackPanel,
    EdgeDesk,
    FormsModule,
    HandlesPanel,
    HostPanel,
    KeepPanel,
    SelectButton,
    HeelPanel,
    SkewPanel,
    TracedPanel,
  ],
  templateUrl: './edge-side.html',
  styles: `
    :host {
      display: grid;
      grid-template-columns: minmax(0, 1fr);
      gap: 0.9rem;
    }
    .panels {
      display: grid;
      grid-template-columns: minmax(0, 1fr);
      gap: 0.9rem;
      border-top: 3px solid var(--leather);
      padding: 0.9rem 0 0.6rem;
    }
    .notes {
      border-left: 4px solid var(--leather);
      padding-left: 0.8rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class EdgeSide {
  readonly tool = input.required<Stored<Tool>>();
  private readonly tools = inject(ToolsStore);
  private readonly checks = inject(Checks);
  private readonly notices = inject(Notices);
  private readonly figures = inject(Figures);
  private readonly sessions = inject(SessionsStore);
  private readonly desk = inject(Desk);
  private readonly router = inject(Router);
  private readonly records = toSignal(inject(RecordsStore).records$, { initialValue: {} as Records });
  private readonly answer = toSignal(this.desk.answer$);
  protected readonly picked = signal<Panel | undefined>(undefined);

  protected readonly record = computed(() => this.records()[this.tool().id]);
  protected readonly panels = computed(() => {
    const { family, edge } = this.tool();
    const has: Readonly<Record<Panel, boolean>> = {
      plane: CURVED_FAMILIES.includes(family),
      advice: edge.form !== 'scraping',
      keep: true,
      back: edge.form === 'single-bevel',
      traced: edge.form === 'gouge',
      heel: edge.form === 'double-bevel' && edge.skewDeg > 0,
      skew: true,
      handles: family === 'drawknife',
    };
    return PANELS.filter(({ value }) => has[value]);
  });
  protected readonly panel = computed(() => {
    // An edge that has crept says so before anything else.
    const wanted = this.picked() ?? (this.record()?.creep ? 'keep' : undefined);
    const panels = this.panels();
    return panels.find(({ value }) => value === wanted)?.value ?? panels[0]?.value ?? 'keep';
  });
  /** The edge as typed and as its record has it, once it can be read. */
  protected readonly standing = computed(() => {
    const draft = this.draft();
    const edge = draft && readable(draft.edge);
    return edge && asItStands({ ...this.tool(), edge }, this.record()?.state);
  });
  /** The tip as the plan takes it to be worn. */
  protected readonly tipUm = computed(() => {
    const condition = this.answer()?.request.condition;
    return condition && (condition.tipRadiusUm ?? TIP_RADIUS_UM[condition.kind]);
  });

  protected readonly land = computed(() => {
    const state = this.record()?.state;
    if (state?.landMm === undefined) return undefined;
    const since = state.honingsSinceThen === 1 ? '1 honing' : `${state.honingsSinceThen} honings`;
    const from =
      state.honingsSinceThen > 0 ? `${LAND_FROM[state.landFrom]}, ${since} since` : LAND_FROM[state.landFrom];
    return { mm: Number(state.landMm.toFixed(3)), from: `${from}; type what you measure` };
  });
  private readonly blade = new Draft<Tool, BladeDraft>({
    keeper: this.tools,
    schema: 'toolSchema',
    begin: { name: '', family: 'bench-chisel', steel: 'high-carbon', edge: usualEdge('bench-chisel') },
    draftOf: asDraft,
    sent: (draft, stored) => (stored ? asTool(draft, stored) : draft),
    notKept: 'Not kept yet: change what is marked above. The record still holds the figures from before.',
  });
  protected readonly draft = computed(() => this.blade.stored() && this.blade.draft());
  protected readonly sentences = this.blade.sentences;
  protected readonly unsaved = this.blade.refusal;

  constructor() {
    effect(() => {
      const tool = this.tool();
      untracked(() => this.blade.load(tool));
    });
  }

  protected set(change: FieldChange<BladeDraft>): void {
    this.blade.set(change);
  }

  protected setEdge(change: object): void {
    this.blade.draft.update((draft) => ({ ...draft, edge: { ...draft.edge, ...change } as EdgeDraft }));
  }

  protected planTo(finishUm: number): void {
    this.desk.ask({ finishUm });
    void this.router.navigate(['/tools', this.tool().id, 'plan']);
  }

  /** A measured land is an entry of the record; what comes after is reckoned from it. */
  protected async measure(landMm: number): Promise<void> {
    const entry: Session = {
      toolId: this.tool().id,
      kind: 'measuring',
      startedAt: new Date().toISOString(),
      landMm,
    };
    this.sentences.set(await this.checks.sentencesFor('sessionSchema', entry));
    if (Object.keys(this.sentences()).length > 0) return;
    this.sessions.create(entry).subscribe({
      next: () => this.notices.done(`The land measures ${this.figures.length(landMm)}; it is in the record.`),
      error: (reason: unknown) => this.notices.refused(reason),
    });
  }

  /** What is not typed on the desk: measured handles, and how it is held. */
  protected change(content: Partial<Tool>): void {
    const tool = this.tool();
    this.tools.amend(tool, content).subscribe({ error: (reason: unknown) => this.notices.refused(reason) });
  }

  /** A skew’s heel ground into a second edge, or without one. */
  protected roundHeel(radiusMm: number | undefined): void {
    const { edge } = this.tool();
    if (edge.form !== 'double-bevel') return;
    const { heelRadiusMm: _, ...rest } = edge;
    this.change({ edge: { ...rest, ...(radiusMm !== undefined && { heelRadiusMm: radiusMm }) } });
  }

  protected keep(): Promise<void> {
    return this.blade.keepChanges();
  }
}

const asDraft = ({ name, family, steel, edge, host }: Tool): BladeDraft => ({
  name,
  family,
  steel,
  edge,
  ...(host && { host }),
});

/** The tool with what the desk says of it; what stands on other sides of the vise stays. */
function asTool({ host, ...typed }: BladeDraft, stored: Stored<Tool>): object {
  const { host: _before, ...content } = contentOf<Tool>(stored);
  return { ...content, ...typed, ...(host && { host }) };
}
