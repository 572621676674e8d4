import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  computed,
  ElementRef,
  inject,
  input,
  output,
  signal,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { Button, ButtonDirective } from 'primeng/button';
import { Dialog } from 'primeng/dialog';
import { PlusIcon } from 'primeng/icons/plus';
import { Popover } from 'primeng/popover';
import { InputText } from 'primeng/inputtext';
import { Select } from 'primeng/select';
import type { Stored } from '@mellow-anvil/contract';
import {
  FAMILIES,
  type Family,
  FAMILY_NAMES,
  familyFacts,
  RACK_STATES,
  type RackState,
  type Tool,
} from '@mellow-anvil/core/blade';
import { proposedUse, type Session } from '@mellow-anvil/core/record';
import { RecordsStore, type Records } from '../data/records.store';
import { SessionsStore } from '../data/sessions.store';
import { inOrderOfNeed, type RackTool } from '../data/rack-order';
import { StateMark } from '../drawings/state-mark';
import { STATE_WORDS } from '../words/state-words';
import { Figures } from '../ui/figures';
import { Notices } from '../platform/notices';
import { Stropping } from '../data/stropping';
import { SincePanel } from './since-panel';
import { UsePanel } from './use-panel';
import { edgeWords } from '../drawings/blade';
import { EdgeGlyph } from '../drawings/edge-glyph';
import { ToolsStore } from '../data/tools.store';

/** The tools by need, each with its edge to scale and what it asks for; sets stand together. */
@Component({
  selector: 'ma-rack',
  imports: [
    Button,
    ButtonDirective,
    Dialog,
    PlusIcon,
    EdgeGlyph,
    FormsModule,
    InputText,
    Popover,
    RouterLink,
    Select,
    SincePanel,
    StateMark,
    UsePanel,
  ],
  templateUrl: './rack.html',
  styles: `
    :host {
      display: grid;
      grid-template-rows: auto auto 1fr;
      gap: 0.3rem;
      padding: 0.4rem 0.5rem 0 0.6rem;
      min-height: 0;
      background: var(--panel);
    }
    .find {
      display: flex;
      gap: 0.4rem;
    }
    .find input {
      flex: 1;
      min-width: 0;
      min-height: var(--touch);
    }
    .find :is(a, p-button) {
      flex: none;
    }
    .filters {
      display: grid;
      gap: 0.6rem;
      width: 15rem;
    }
    .close {
      display: none;
    }
    :host(.open) .close {
      display: block;
    }
    nav {
      overflow-y: auto;
      min-height: 0;
    }
    h2 {
      font-size: 0.85rem;
      color: var(--leather);
      padding: 0.3rem 0.3rem 0;
    }
    ul {
      list-style: none;
      margin: 0;
      padding: 0;
    }
    li {
      display: grid;
      grid-template-columns: minmax(0, 1fr) auto auto;
      align-items: center;
      border-left: var(--mark) solid transparent;
      border-radius: 0 var(--radius) var(--radius) 0;
      padding: 1px 0 1px 0;
    }
    li:hover {
      background: var(--raised);
    }
    li.held {
      background: var(--raised);
      border-left-color: var(--accent);
    }
    nav a.tool {
      display: grid;
      grid-template-columns: 42px minmax(0, 1fr);
      gap: 0.3rem;
      align-items: center;
      padding: 0;
      min-height: 46px;
      color: inherit;
      text-decoration: none;
    }
    nav a.tool > span {
      display: grid;
      line-height: 1.15;
    }
    .tool b {
      font-size: 0.92rem;
    }
    .tool ma-edge-glyph {
      transform: scale(0.78);
      transform-origin: left center;
      width: 42px;
    }
    .act {
      min-height: 40px;
      min-width: 4.7rem;
      justify-content: center;
      padding: 0.2rem 0.5rem;
      font-size: 0.9rem;
    }
    .rest {
      min-height: 40px;
      width: 28px;
      padding: 0;
    }
    .rest svg {
      fill: none;
      stroke: currentColor;
      stroke-width: 1.6;
    }
    .rest-of-it {
      display: grid;
      gap: 0.4rem;
    }
    .need {
      display: flex;
      gap: 0.3rem;
    }
    .need ma-state-mark {
      color: var(--ink);
    }
    small {
      color: var(--muted);
      font-size: 0.85rem;
    }
    .none {
      padding: 1rem 0.4rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Rack {
  /** Id of the tool in the vise. */
  readonly held = input<string>();
  /** The side of the vise a picked tool opens at. */
  readonly side = input('edge');
  readonly chosen = output<void>();

  private readonly figures = inject(Figures);
  private readonly sessions = inject(SessionsStore);
  private readonly notices = inject(Notices);
  private readonly stropping = inject(Stropping);
  private readonly records = toSignal(inject(RecordsStore).records$, { initialValue: {} as Records });
  private readonly stored = toSignal(inject(ToolsStore).items$, { initialValue: [] });
  protected readonly text = signal('');
  protected readonly family = signal<Family | null>(null);
  protected readonly state = signal<RackState | null>(null);
  /** The spell of use put down just now, open to be put right. */
  protected readonly usedNow = signal<Stored<Session> | undefined>(undefined);

  /** The tool whose other actions are open. */
  protected readonly more = signal<RackTool | undefined>(undefined);

  protected readonly usedName = computed(
    () => this.stored().find(({ id }) => id === this.usedNow()?.toolId)?.name ?? '',
  );

  /** The tools as their records have them, each with what it asks for. */
  private readonly tools = computed(() => inOrderOfNeed(this.stored(), this.records(), this.figures.hand()));

  protected readonly families = computed(() => {
    const present = new Set(this.tools().map(({ family }) => family));
    return FAMILY_NAMES.filter((name) => present.has(name)).map((value) => ({
      value,
      label: FAMILIES[value].label,
    }));
  });

  protected readonly states = computed(() => {
    const present = new Set(this.tools().map(({ ready }) => ready?.state));
    return RACK_STATES.filter((state) => present.has(state)).map((value) => ({
      value,
      label: STATE_WORDS[value],
    }));
  });

  protected readonly groups = computed(() => {
    const wanted = this.text().trim().toLowerCase();
    const [family, state] = [this.family(), this.state()];
    const found = this.tools()
      .filter((tool) => !family || tool.family === family)
      .filter(({ ready }) => !state || ready?.state === state)
      .filter(({ name, setName = '', notes = '' }) =>
        `${name} ${setName} ${notes}`.toLowerCase().includes(wanted),
      );
    const groups = new Map<string, RackTool[]>();
    for (const tool of found) {
      const { form } = FAMILIES[tool.family];
      const name = tool.setName ?? GROUPS[tool.family] ?? GROUPS[form] ?? 'Others';
      groups.set(name, [...(groups.get(name) ?? []), tool]);
    }
    return [...groups].map(([name, tools]) => ({ name, tools }));
  });

  /** One tap: as it was used last, and open to be put right. */
  protected use(tool: Stored<Tool>): void {
    const last = this.records()[tool.id]?.lastUse;
    const use = proposedUse(tool.id, familyFacts(tool.family).usedIn, last, new Date().toISOString());
    this.sessions.create(use).subscribe({
      next: (stored) => this.usedNow.set(stored),
      error: (reason: unknown) => this.notices.refused(reason),
    });
  }

  /** One tap: stropped just now. */
  protected strop(tool: Stored<Tool>): void {
    this.stropping.stropped(tool).subscribe({
      next: () => this.notices.done(`${tool.name} is stropped; it is in the record.`),
      error: (reason: unknown) => this.notices.refused(reason),
    });
  }

  /** What the plan is opened for, where the stone or the wheel is due. */
  protected planFor({ ready }: RackTool): string | undefined {
    return ready && PLANNED[ready.state];
  }

  constructor() {
    const host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    // The tool in hand is in sight, wherever it stands by need.
    afterRenderEffect(() => {
      this.held();
      this.groups();
      bringIntoSight(host.querySelector('nav'), host.querySelector('li.held'));
    });
  }

  protected words(tool: Parameters<typeof edgeWords>[0]): string {
    return edgeWords(tool, (mm) => this.figures.length(mm, 1));
  }
}

/** Moves a list until a row of it is seen. `scrollIntoView` would take the place Tab begins from along. */
function bringIntoSight(list: Element | null, row: Element | null): void {
  if (!list || !row) return;
  const [seen, box] = [list.getBoundingClientRect(), row.getBoundingClientRect()];
  list.scrollTop += Math.min(0, box.top - seen.top) + Math.max(0, box.bottom - seen.bottom);
}

/** What an edge is taken to its plan for. */
const PLANNED: Partial<Readonly<Record<RackState, string>>> = {
  hone: 'Hone it',
  regrind: 'Grind it',
  repair: 'Mend it',
};

/** By the form of their edge; by their family where another than its form says where people look for it. */
const GROUPS: Readonly<Record<string, string>> = {
  'one-sided-knife': 'Knives',
  'single-bevel': 'Chisels and irons',
  'double-bevel': 'Carving tools',
  gouge: 'Carving tools',
  v: 'Carving tools',
  knife: 'Knives',
  hook: 'Knives',
  'knife-set': 'Machine knives',
  scraping: 'Scraping knives',
};
