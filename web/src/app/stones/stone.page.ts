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
import { Router, RouterLink } from '@angular/router';
import { Button, ButtonDirective } from 'primeng/button';
import { type Abrasive, isWheel, placedSizesUm } from '@mellow-anvil/core/abrasive';
import { contentOf } from '../data/collection.store';
import { Draft, placed } from '../ui/draft';
import { Notices } from '../platform/notices';
import { AbrasivesStore } from '../data/abrasives.store';
import { usualAbrasive } from '@mellow-anvil/core/abrasive';
import { MoreFields } from '../parts/more-fields';
import { StoneFields } from '../parts/stone-fields';
import { StoneGlyph } from '../drawings/stone-glyph';
import { StoneLifePanel } from './stone-life';
import { WheelFields } from '../parts/wheel-fields';

/** One abrasive: added, changed or taken off the bench. */
@Component({
  selector: 'ma-stone',
  imports: [
    Button,
    ButtonDirective,
    MoreFields,
    RouterLink,
    StoneFields,
    StoneGlyph,
    StoneLifePanel,
    WheelFields,
  ],
  templateUrl: './stone.page.html',
  styles: `
    .figures {
      display: grid;
      gap: 1rem;
    }
    h2 {
      border-top: 3px solid var(--leather);
      padding-top: 0.4rem;
      font-size: 1.15rem;
      margin: 0;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StonePage {
  readonly id = input<string>();
  private readonly abrasives = inject(AbrasivesStore);
  private readonly router = inject(Router);
  private readonly notices = inject(Notices);
  private readonly all = toSignal(this.abrasives.inOrder$, { initialValue: [] });
  /** The stone as it is kept, with the grain it counts as. */
  protected readonly known = computed(() => this.all().find(({ id }) => id === this.id()));

  protected readonly editor = new Draft<Abrasive>({
    keeper: this.abrasives,
    schema: 'abrasiveSchema',
    begin: usualAbrasive(),
    sent: (draft) => this.graded(draft),
    ...placed('rail'),
  });
  protected readonly stored = this.editor.stored;

  protected readonly wheeled = computed(() => isWheel(this.editor.draft()));

  constructor() {
    effect(() => {
      const { sizeUm: _, ...found } = this.known() ?? { sizeUm: 0 };
      if ('id' in found) untracked(() => this.editor.load(found));
    });
  }

  protected async keep(): Promise<void> {
    if (await this.editor.keep()) void this.router.navigate(['/stones']);
  }

  /** A stone without a grade, only placed between two others, is given the grain that place counts as. */
  private graded(draft: Abrasive): Abrasive {
    if (draft.grade.grade.trim() !== '' || !draft.between) return draft;
    const others = this.all().filter(({ id }) => id !== this.id());
    const placed = { ...draft, id: '?', grade: { standard: 'UM', grade: '10' } } as const;
    const sizeUm = placedSizesUm([...others, placed]).get('?') ?? 10;
    return { ...draft, grade: { standard: 'UM', grade: String(Number(sizeUm.toPrecision(3))) } };
  }

  /** Readings before now count no more; the change can be undone. */
  protected forget(): void {
    const stone = this.known();
    if (!stone) return;
    const { sizeUm: _, ...kept } = contentOf<Abrasive & { readonly sizeUm: number }>(stone);
    this.abrasives
      .change(stone.id, stone.version, { ...kept, learnFrom: new Date().toISOString() })
      .subscribe({
        next: () =>
          this.notices.done(`${stone.name} learns anew from now on. Undo brings its readings back.`),
        error: (reason: unknown) => this.notices.refused(reason),
      });
  }

  /** A stone just taken off the bench is not asked after while its page closes. */
  protected readonly leaving = signal(false);

  protected async remove(): Promise<void> {
    this.leaving.set(true);
    if (await this.editor.remove()) void this.router.navigate(['/stones']);
    else this.leaving.set(false);
  }
}
