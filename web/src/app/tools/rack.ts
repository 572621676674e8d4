import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import { ButtonDirective } from 'primeng/button';
import { PlusIcon } from 'primeng/icons/plus';
import { InputText } from 'primeng/inputtext';
import { Select } from 'primeng/select';
import { FAMILIES, FAMILY_NAMES, type Family } from '@mellow-anvil/core';
import { Figures } from '../shared/figures';
import { edgeWords } from './blade';
import { EdgeGlyph } from './edge-glyph';
import { ToolsStore } from './tools.store';

const FAMILY_ORDER = new Map(FAMILY_NAMES.map((family, i) => [family, i]));

/** The tools, each with its edge to scale; sets stand together. */
@Component({
  selector: 'ma-rack',
  imports: [ButtonDirective, PlusIcon, EdgeGlyph, FormsModule, InputText, RouterLink, Select],
  template: `
    <div class="find">
      <input
        pInputText
        type="search"
        placeholder="Find a tool"
        aria-label="Find a tool"
        [ngModel]="text()"
        (ngModelChange)="text.set($event)"
      />
      @if (families().length > 1) {
        <p-select
          ariaLabel="Family"
          [options]="families()"
          optionLabel="label"
          optionValue="value"
          placeholder="Every family"
          [showClear]="true"
          [ngModel]="family()"
          (ngModelChange)="family.set($event)"
        />
      }
    </div>
    <nav aria-label="Rack">
      @for (group of groups(); track group.name) {
        <h2>{{ group.name }}</h2>
        <ul>
          @for (tool of group.tools; track tool.id) {
            <li>
              <a
                [routerLink]="['/tools', tool.id, side()]"
                [class.held]="tool.id === held()"
                [attr.aria-current]="tool.id === held() ? 'true' : null"
                (click)="chosen.emit()"
              >
                <ma-edge-glyph [edge]="tool.edge" />
                <span>
                  <b>{{ tool.name }}</b>
                  <small>{{ words(tool) }}</small>
                </span>
              </a>
            </li>
          }
        </ul>
      } @empty {
        <p class="muted none">
          {{ text() || family() ? 'Nothing on the rack is called that.' : 'The rack is empty.' }}
        </p>
      }
    </nav>
    <a pButton routerLink="/tools/new" (click)="chosen.emit()">
      <svg data-p-icon="plus" aria-hidden="true"></svg>
      Add a tool
    </a>
  `,
  styles: `
    :host {
      display: grid;
      grid-template-rows: auto 1fr auto;
      gap: 0.6rem;
      padding: 0.8rem 0.7rem;
      min-height: 0;
      background: var(--panel);
    }
    .find {
      display: grid;
      gap: 0.5rem;
    }
    .find input {
      width: 100%;
      min-height: 44px;
    }
    nav {
      overflow-y: auto;
      min-height: 0;
    }
    h2 {
      font-size: 0.95rem;
      color: var(--leather);
      padding: 0.6rem 0.3rem 0.2rem;
    }
    ul {
      list-style: none;
      margin: 0;
      padding: 0;
    }
    nav a {
      display: grid;
      grid-template-columns: 54px 1fr;
      gap: 0.7rem;
      align-items: center;
      padding: 0.35rem 0.4rem;
      min-height: 52px;
      color: inherit;
      text-decoration: none;
      border-left: 5px solid transparent;
      border-radius: 0 var(--radius) var(--radius) 0;
    }
    nav a:hover {
      background: var(--raised);
    }
    nav a.held {
      background: var(--raised);
      border-left-color: var(--accent);
    }
    nav a span {
      display: grid;
      line-height: 1.2;
    }
    small {
      color: var(--muted);
      font-size: 0.88rem;
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
  private readonly tools = toSignal(inject(ToolsStore).items$, { initialValue: [] });
  protected readonly text = signal('');
  protected readonly family = signal<Family | null>(null);

  protected readonly families = computed(() => {
    const present = new Set(this.tools().map(({ family }) => family));
    return FAMILY_NAMES.filter((name) => present.has(name)).map((value) => ({
      value,
      label: FAMILIES[value].label,
    }));
  });

  protected readonly groups = computed(() => {
    const wanted = this.text().trim().toLowerCase();
    const family = this.family();
    const found = this.tools()
      .filter((tool) => !family || tool.family === family)
      .filter(({ name, setName = '', notes = '' }) =>
        `${name} ${setName} ${notes}`.toLowerCase().includes(wanted),
      );
    const groups = new Map<string, typeof found>();
    const inOrder = [...found].sort(
      (a, b) =>
        (FAMILY_ORDER.get(a.family) ?? 0) - (FAMILY_ORDER.get(b.family) ?? 0) ||
        a.name.localeCompare(b.name, undefined, { numeric: true }),
    );
    for (const tool of inOrder) {
      const name = tool.setName ?? GROUPS[FAMILIES[tool.family].form] ?? 'Others';
      groups.set(name, [...(groups.get(name) ?? []), tool]);
    }
    return [...groups].map(([name, tools]) => ({ name, tools }));
  });

  protected words(tool: Parameters<typeof edgeWords>[0]): string {
    return edgeWords(tool, (mm) => this.figures.length(mm, 1));
  }
}

const GROUPS: Readonly<Record<string, string>> = {
  'single-bevel': 'Chisels and irons',
  'double-bevel': 'Carving tools',
  gouge: 'Carving tools',
  v: 'Carving tools',
  knife: 'Knives',
  hook: 'Knives',
  'knife-set': 'Machine knives',
  scraping: 'Scraping knives',
};
