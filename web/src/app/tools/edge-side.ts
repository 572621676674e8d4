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
import { FAMILIES, STEELS, type Session, type Tool } from '@mellow-anvil/core';
import type { Stored } from '@mellow-anvil/contract';
import { LAND_FROM } from '../records/land-words';
import { RecordsStore, type Records } from '../records/records.store';
import { SessionsStore } from '../records/sessions.store';
import { contentOf } from '../shared/collection.store';
import { sentencesFor, sentencesOf, type Sentences } from '../shared/checks';
import { Figures } from '../shared/figures';
import { Notices } from '../shared/notices';
import { told } from '../shared/problem';
import { edgeWords, isSingleBevel, type BladeDraft } from './blade';
import { EdgeDesk } from './edge-desk';
import { EdgeGlyph } from './edge-glyph';
import { ToolsStore } from './tools.store';

/** The vise's first side: the edge as it is, changed where it stands and kept at once. */
@Component({
  selector: 'ma-edge-side',
  imports: [EdgeDesk, EdgeGlyph],
  template: `
    @if (draft(); as blade) {
      <ma-edge-desk
        [draft]="blade"
        (draftChange)="draft.set($event)"
        [sentences]="sentences()"
        [land]="land()"
        (settled)="keep()"
        (measured)="measure($event)"
      />
      @if (unsaved()) {
        <p class="sentence-error" role="alert">{{ unsaved() }}</p>
      }
    } @else {
      <div class="other">
        <ma-edge-glyph [edge]="tool().edge" />
        <dl>
          <dt>Family</dt>
          <dd>{{ families[tool().family].label }}</dd>
          <dt>Edge</dt>
          <dd>{{ words() }}</dd>
          <dt>Steel</dt>
          <dd>{{ steels[tool().steel].label }}</dd>
        </dl>
        <p class="muted">
          This release draws, sets and plans flat-backed blades. This tool is kept whole in the record and in
          the workshop file; its own desk comes with a later release.
        </p>
      </div>
    }
    @if (tool().notes; as notes) {
      <p class="notes">{{ notes }}</p>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.9rem;
    }
    .other {
      display: grid;
      gap: 1rem;
      justify-items: start;
    }
    .other ma-edge-glyph {
      transform: scale(3);
      transform-origin: top left;
      margin-bottom: 4.5rem;
    }
    dl {
      display: grid;
      grid-template-columns: auto 1fr;
      gap: 0.3rem 1.2rem;
      margin: 0;
    }
    dt {
      color: var(--muted);
    }
    dd {
      margin: 0;
      font-weight: 700;
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
  private readonly records = toSignal(inject(RecordsStore).records$, { initialValue: {} as Records });

  protected readonly land = computed(() => {
    const state = this.records()[this.tool().id]?.state;
    if (state?.landMm === undefined) return undefined;
    const since = state.honingsSinceThen === 1 ? '1 honing' : `${state.honingsSinceThen} honings`;
    const from =
      state.honingsSinceThen > 0 ? `${LAND_FROM[state.landFrom]}, ${since} since` : LAND_FROM[state.landFrom];
    return { mm: Number(state.landMm.toFixed(3)), from: `${from}; type what you measure` };
  });
  protected readonly families = FAMILIES;
  protected readonly steels = STEELS;
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

  protected words(): string {
    return edgeWords(this.tool(), (mm) => this.figures.length(mm));
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
    const thing = { ...contentOf<Tool>(base), ...draft };
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
    if (stored && draft && base?.id === tool.id) {
      this.draft.set(retyped(stored, draft, asDraft(base) ?? stored));
      return;
    }
    this.sentences.set({});
    this.unsaved.set('');
    this.draft.set(stored);
  }
}

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

function asDraft({ name, family, steel, edge }: Tool): BladeDraft | undefined {
  return isSingleBevel(edge) ? { name, family, steel, edge } : undefined;
}

/** The stored figures, with those the user has changed since `base` left as typed. */
function retyped(stored: BladeDraft, typed: BladeDraft, base: BladeDraft): BladeDraft {
  const changed = <T extends object>(now: T, before: T): Partial<T> =>
    Object.fromEntries(
      Object.entries(now).filter(([key, value]) => !same(value, before[key as keyof T])),
    ) as Partial<T>;
  const { edge, ...rest } = typed;
  const { edge: edgeBefore, ...restBefore } = base;
  return { ...stored, ...changed(rest, restBefore), edge: { ...stored.edge, ...changed(edge, edgeBefore) } };
}
