import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { ButtonDirective } from 'primeng/button';
import { PaperChoice } from '../data/paper-choice';

const WORDS = {
  pdf: 'Print (PDF)',
  svg: 'SVG',
  dxf: 'DXF',
  stl: 'STL',
} as const;
export type FileForm = keyof typeof WORDS;

/** Links to a pattern's files: to print, to cut, to print in plastic. */
@Component({
  selector: 'ma-take-away',
  imports: [ButtonDirective],
  template: `
    @for (link of links(); track link.form) {
      <a
        pButton
        [href]="link.href"
        target="_blank"
        rel="noopener"
        [severity]="link.form === 'pdf' && !quiet() ? null : 'secondary'"
        [outlined]="link.form !== 'pdf' || quiet()"
        [attr.aria-label]="link.label + ' of ' + of()"
      >
        {{ link.label }}
      </a>
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-wrap: wrap;
      gap: 0.5rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TakeAway {
  /** Address of the file without its ending, and its query. */
  readonly path = input.required<string>();
  readonly query = input<Readonly<Record<string, string | number>>>({});
  /** What it is, for those who hear the page. */
  readonly of = input.required<string>();
  readonly forms = input<readonly FileForm[]>(['pdf', 'svg', 'dxf', 'stl']);
  /** Beside what matters more. */
  readonly quiet = input(false);
  readonly printLabel = input<string>(WORDS.pdf);
  private readonly paper = toSignal(inject(PaperChoice).paper$, { requireSync: true });

  protected readonly links = computed(() =>
    this.forms().map((form) => {
      const query = new URLSearchParams(
        Object.entries({ ...this.query(), ...(form === 'pdf' && { paper: this.paper() }) }).map(
          ([name, value]) => [name, value],
        ),
      ).toString();
      return {
        form,
        label: form === 'pdf' ? this.printLabel() : WORDS[form],
        href: `${this.path()}.${form}${query ? `?${query}` : ''}`,
      };
    }),
  );
}
