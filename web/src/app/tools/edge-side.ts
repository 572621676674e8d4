import { ChangeDetectionStrategy, Component, effect, inject, input, signal, untracked } from '@angular/core';
import { FAMILIES, STEELS, type Tool } from '@mellow-anvil/core';
import type { Stored } from '@mellow-anvil/contract';
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
        (settled)="keep()"
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

  protected readonly families = FAMILIES;
  protected readonly steels = STEELS;
  protected readonly draft = signal<BladeDraft | undefined>(undefined);
  protected readonly sentences = signal<Sentences>({});
  protected readonly unsaved = signal('');
  /** The version the draft was made from: the server refuses it if the tool moved on meanwhile. */
  private version = 0;

  constructor() {
    effect(() => {
      const tool = this.tool();
      untracked(() => this.load(tool));
    });
  }

  protected words(): string {
    return edgeWords(this.tool(), (mm) => this.figures.length(mm));
  }

  protected async keep(): Promise<void> {
    const draft = this.draft();
    const { id } = this.tool();
    if (!draft || JSON.stringify(draft) === JSON.stringify(this.asDraft(this.tool()))) {
      this.unsaved.set('');
      this.sentences.set({});
      return;
    }
    const thing = { ...contentOf<Tool>(this.tool()), ...draft };
    const sentences = await sentencesFor('toolSchema', thing);
    this.sentences.set(sentences);
    if (Object.keys(sentences).length > 0) {
      this.unsaved.set(
        'Not kept yet: change what is marked above. The record still holds the figures from before.',
      );
      return;
    }
    this.unsaved.set('');
    this.tools.change(id, this.version, thing).subscribe({
      error: (reason: unknown) => {
        const { detail, fields, stale } = told(reason);
        this.sentences.set(sentencesOf(fields));
        this.unsaved.set(detail);
        if (stale) {
          this.notices.refused(reason);
          this.tools.load();
        }
      },
    });
  }

  private load(tool: Stored<Tool>): void {
    this.version = tool.version;
    this.sentences.set({});
    this.unsaved.set('');
    this.draft.set(this.asDraft(tool));
  }

  private asDraft({ name, family, steel, edge }: Tool): BladeDraft | undefined {
    return isSingleBevel(edge) ? { name, family, steel, edge } : undefined;
  }
}
