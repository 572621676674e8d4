import { ChangeDetectionStrategy, Component, computed, input, signal } from '@angular/core';
import { attempt, Refusal } from '@mellow-anvil/core/base';
import { boardTracks } from '@mellow-anvil/core/camber';
import { QuantityField } from '../../ui/quantity-field';
import { bedOf, type Iron } from './camber-draft';

/** What the tracks on a planed board say of the iron, with the cheapest cure first. */
@Component({
  selector: 'ma-read-tracks',
  imports: [QuantityField],
  templateUrl: './read-tracks.html',
  styleUrl: '../../ui/panel.css',
  styles: `
    ol {
      margin: 0;
      padding: 0;
      list-style: none;
      display: grid;
      gap: 0.8rem;
    }
    .cures {
      list-style: decimal;
      padding-left: 1.6rem;
      gap: 0.2rem;
      margin-top: 0.3rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ReadTracks {
  readonly iron = input.required<Iron>();
  protected readonly left = signal<number | undefined>(undefined);
  protected readonly right = signal<number | undefined>(undefined);
  protected readonly spacing = signal<number | undefined>(undefined);
  protected readonly line = signal<number | undefined>(undefined);
  private readonly result = computed(() => {
    const figures = [this.left(), this.right(), this.spacing(), this.line()];
    if (figures.every((mm) => mm === undefined) || figures.some((mm) => mm !== undefined && !(mm >= 0)))
      return undefined;
    const [spacingMm, lineMm] = [this.spacing(), this.line()];
    return attempt(() =>
      boardTracks({
        widthMm: this.iron().edge.widthMm,
        bedDeg: bedOf(this.iron()),
        leftMm: this.left() ?? 0,
        rightMm: this.right() ?? 0,
        ...(spacingMm !== undefined && { spacingMm }),
        ...(lineMm !== undefined && { lineMm }),
      }),
    );
  });
  protected readonly findings = computed(() => {
    const result = this.result();
    return result === undefined || result instanceof Refusal ? [] : result;
  });

  protected wrong(field: string): string {
    const result = this.result();
    return result instanceof Refusal && result.field === field ? result.message : '';
  }
}
