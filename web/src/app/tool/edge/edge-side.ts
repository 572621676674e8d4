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
import { TIP_RADIUS_UM, type Tool } from '@mellow-anvil/core/blade';
import { CURVED_FAMILIES } from '@mellow-anvil/core/camber';
import { asItStands, type Session } from '@mellow-anvil/core/record';
import type { Stored } from '@mellow-anvil/contract';
import { AdvicePanel } from './advice-panel';
import { Desk } from '../../data/desk';
import { LAND_FROM } from '../../words/land-words';
import { RecordsStore, type Records } from '../../data/records.store';
import { SessionsStore } from '../../data/sessions.store';
import { contentOf } from '../../data/collection.store';
import { sentencesFor, sentencesOf, type Sentences } from '../../ui/checks';
import { Figures } from '../../ui/figures';
import { Notices } from '../../platform/notices';
import { told } from '../../platform/problem';
import { BackPanel } from './back-panel';
import { readable, type BladeDraft, type EdgeDraft } from '../../drawings/blade';
import { EdgeDesk } from './edge-desk';
import { HostPanel } from './host-panel';
import { KeepPanel } from './keep-panel';
import { SkewPanel } from './skew-panel';
import { ToolsStore } from '../../data/tools.store';

type Panel = 'plane' | 'advice' | 'keep' | 'back' | 'skew';
const PANELS: readonly { readonly value: Panel; readonly label: string }[] = [
  { value: 'plane', label: 'In its plane' },
  { value: 'advice', label: 'Which angle, how fine' },
  { value: 'keep', label: 'Against another angle' },
  { value: 'back', label: 'Its back' },
  { value: 'skew', label: 'Turned to the cut' },
];

/** The vise's first side: the edge as it is, changed where it stands and kept at once. */
@Component({
  selector: 'ma-edge-side',
  imports: [AdvicePanel, BackPanel, EdgeDesk, FormsModule, HostPanel, KeepPanel, SelectButton, SkewPanel],
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
      skew: true,
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
  protected readonly draft = signal<BladeDraft | undefined>(undefined);
  protected readonly sentences = signal<Sentences>({});
  protected readonly unsaved = signal('');
  /** The tool the draft was made from: the server refuses a change if the tool moved on meanwhile. */
  private base: Stored<Tool> | undefined;
  private saving = false;
  private again = false;

  constructor() {
    effect(() => {
      const tool = this.tool();
      untracked(() => this.load(tool));
    });
  }

  protected set(change: Partial<BladeDraft>): void {
    const draft = this.draft();
    if (draft) this.draft.set({ ...draft, ...change });
  }

  protected setEdge(change: object): void {
    const draft = this.draft();
    if (draft) this.draft.set({ ...draft, edge: { ...draft.edge, ...change } as EdgeDraft });
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
    this.sentences.set(await sentencesFor('sessionSchema', entry));
    if (Object.keys(this.sentences()).length > 0) return;
    this.sessions.create(entry).subscribe({
      next: () => this.notices.done(`The land measures ${this.figures.length(landMm)}; it is in the record.`),
      error: (reason: unknown) => this.notices.refused(reason),
    });
  }

  protected async keep(): Promise<void> {
    const [draft, base] = [this.draft(), this.base];
    if (!draft || !base) return;
    if (this.saving) {
      this.again = true;
      return;
    }
    if (same(draft, asDraft(base))) {
      this.unsaved.set('');
      this.sentences.set({});
      return;
    }
    this.saving = true;
    const { host: _before, ...content } = contentOf<Tool>(base);
    const { host, ...typed } = draft;
    const thing = { ...content, ...typed, ...(host && { host }) };
    const sentences = await sentencesFor('toolSchema', thing);
    this.sentences.set(sentences);
    if (Object.keys(sentences).length > 0) {
      this.unsaved.set(
        'Not kept yet: change what is marked above. The record still holds the figures from before.',
      );
      this.saved();
      return;
    }
    this.unsaved.set('');
    this.tools.change(base.id, base.version, thing).subscribe({
      next: () => this.saved(),
      error: (reason: unknown) => {
        const { detail, fields, stale } = told(reason);
        this.sentences.set(sentencesOf(fields));
        this.unsaved.set(detail);
        this.again = false;
        this.saved();
        if (stale) {
          this.notices.refused(reason);
          this.tools.load();
        }
      },
    });
  }

  private saved(): void {
    this.saving = false;
    if (!this.again) return;
    this.again = false;
    void this.keep();
  }

  /** Takes in the tool as stored, without losing what is being typed over it. */
  private load(tool: Stored<Tool>): void {
    const [draft, base] = [this.draft(), this.base];
    const stored = asDraft(tool);
    this.base = tool;
    if (draft && base?.id === tool.id) {
      this.draft.set(retyped(stored, draft, asDraft(base)));
      return;
    }
    this.sentences.set({});
    this.unsaved.set('');
    this.draft.set(stored);
  }
}

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

const asDraft = ({ name, family, steel, edge, host }: Tool): BladeDraft => ({
  name,
  family,
  steel,
  edge,
  host,
});

/** The stored figures, with those the user has changed since `base` left as typed. */
function retyped(stored: BladeDraft, typed: BladeDraft, base: BladeDraft): BladeDraft {
  const changed = <T extends object>(now: T, before: T): Partial<T> =>
    Object.fromEntries(
      Object.entries(now).filter(([key, value]) => !same(value, before[key as keyof T])),
    ) as Partial<T>;
  const { edge, ...rest } = typed;
  const { edge: edgeBefore, ...restBefore } = base;
  return {
    ...stored,
    ...changed(rest, restBefore),
    edge: { ...stored.edge, ...changed(edge, edgeBefore) } as EdgeDraft,
  };
}
