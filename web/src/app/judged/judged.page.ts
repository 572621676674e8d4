import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Figures } from '../ui/figures';
import judged from './judged.json';

type Row = (typeof judged.rows)[number];

const PART_WORDS: Readonly<Record<string, string>> = {
  rack: 'when to hone, strop and grind',
  plan: 'how many strokes',
  angle: 'which angle next',
  care: 'when to flatten a stone',
  camber: 'what is read and pressed for a curve',
};
/** A difference is told where it is more than so many times its own error. */
const TELLING = 2;
const NOTHING = 'nothing that could be told from chance';
const BAR = 100;

/** What the advice was tried on, what it saved, and where not to trust it: figures of `npm run judge`, as they came. */
@Component({
  selector: 'ma-judged',
  imports: [RouterLink],
  templateUrl: './judged.page.html',
  styleUrl: './judged.page.css',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class JudgedPage {
  private readonly figures = inject(Figures);
  protected readonly shops = judged.shops;
  private readonly most = Math.max(...judged.rows.filter(isWhole).map(({ total }) => total));
  private readonly page = judged.rows.find(({ kind }) => kind === 'page') as Row;
  private readonly rules = judged.rows.filter(({ kind }) => kind === 'rule');
  private readonly laws = judged.rows.find(({ kind }) => kind === 'oracle') as Row;

  protected readonly year = this.hours(this.page.total);
  protected readonly saved = this.hours(Math.min(...this.rules.map(({ total }) => total)) - this.page.total);
  protected readonly short = this.hours(this.page.total - this.laws.total);
  protected readonly bars = judged.rows
    .filter(isWhole)
    .sort((a, b) => a.total - b.total)
    .map((row) => ({
      name: row.name,
      own: row.kind === 'page',
      hours: this.hours(row.total),
      wide: (BAR * row.total) / this.most,
      lost: (BAR * (row.dull + row.curve)) / this.most,
      words: `${this.figures.number(row.gaveOut, 0)} edges gave out, ${this.figures.number(row.honings, 0)} honings`,
    }));
  protected readonly parts = judged.rows
    .filter(({ kind }) => kind === 'part')
    .sort((a, b) => a.over - b.over)
    .map((row) => ({
      what: PART_WORDS[row.name] ?? row.name,
      words:
        Math.abs(row.over) <= TELLING * row.error || row.over > 0
          ? NOTHING
          : `${this.hours(-row.over)} a year, give or take ${this.hours(TELLING * row.error)}`,
    }));
  protected readonly spoilt = judged.rows
    .filter(({ kind }) => kind === 'spoilt')
    .map((row) => ({
      what: row.name,
      words:
        Math.abs(row.over) <= TELLING * row.error
          ? NOTHING
          : `${this.hours(row.over)} a year more, give or take ${this.hours(TELLING * row.error)}`,
    }));
  /** What a year’s record behind it saves. */
  protected readonly later = judged.rows
    .filter(({ kind, name }) => kind === 'later' && name.startsWith(this.page.name))
    .map(({ over, error }) =>
      Math.abs(over) <= TELLING * error
        ? 'no less that could be told from chance'
        : `${this.hours(-over)} less, give or take ${this.hours(TELLING * error)}`,
    );
  protected readonly covered = judged.covered.map(({ what, share, said, held }) => ({
    what,
    words: `held ${this.figures.number(100 * held, 0)} times of a hundred, of ${this.figures.number(said, 0)}; it should ${this.figures.number(100 * share, 0)}`,
  }));
  protected readonly gaveOut = this.figures.number(this.page.gaveOut, 0);
  protected readonly early = this.figures.number(this.page.early, 0);
  protected readonly spells = this.figures.number(this.page.spells, 0);

  private hours(minutes: number): string {
    return `${this.figures.number(minutes / 60, 1)} h`;
  }
}

function isWhole({ kind }: Row): boolean {
  return ['page', 'rule', 'oracle'].includes(kind);
}
