import Papa from 'papaparse';
import { Joi, type Schema } from '@mellow-anvil/contract';
import { abrasiveSchema, check, type FieldProblem } from '@mellow-anvil/contract';
import type { Abrasive } from '@mellow-anvil/core/abrasive';
import { attempt, parseNumber, Refusal } from '@mellow-anvil/core/base';
import { invalid } from '../../platform/problem.js';

/** A stone of a set; one that is new here has no id yet. */
type StoneInSet = Abrasive & { readonly id?: string };

type Cells = Readonly<Record<string, string>>;
type Loose = Record<string, unknown>;

/** The columns of a set as a table: how a stone fills each, and what a cell says of a stone. Dotted paths into the stone. */
const COLUMNS = {
  id: 'text',
  name: 'text',
  kind: 'text',
  'grade.standard': 'text',
  'grade.grade': 'text',
  lubricant: 'text',
  strokeMm: 'number',
  overheadMin: 'number',
  forceN: 'number',
  removalMm3PerNm: 'number',
  scratchUm: 'number',
  lengthMm: 'number',
  widthMm: 'number',
  radiusMm: 'number',
  serves: 'list',
  'between.coarserId': 'text',
  'between.finerId': 'text',
  'sheets.plate': 'text',
  'sheets.face': 'text',
  'sheets.pieces': 'number',
  'sheets.usesEach': 'number',
  'sheets.costEach': 'number',
  'strop.face': 'text',
  'strop.thicknessMm': 'number',
  'strop.compound': 'text',
  notes: 'text',
} as const;
type Column = keyof typeof COLUMNS;
const NAMES = Object.keys(COLUMNS) as Column[];

/**
 * What a spreadsheet would take for a formula, full-width signs among it, behind any number of
 * apostrophes; such cells go out behind one apostrophe more, and lose that one again.
 */
const FORMULA = /^'*[=+\-@\t\r＝＋－＠]/;

/** Columns whose text is a person's own: its blanks are kept. */
const OWN_TEXT: ReadonlySet<string> = new Set([
  'name',
  'grade.grade',
  'sheets.plate',
  'strop.compound',
  'notes',
]);

/** A set as CSV, one stone a row. Wheels’ readings and what was counted go only into the JSON. */
export function setToCsv(stones: readonly StoneInSet[]): string {
  const rows = stones.map((stone) => NAMES.map((column) => cellOf(stone, column)));
  return Papa.unparse({ fields: NAMES, data: rows }, { escapeFormulae: FORMULA, newline: '\r\n' });
}

function cellOf(stone: object, column: Column): string {
  const value = column.split('.').reduce<unknown>((thing, key) => (thing as Loose | undefined)?.[key], stone);
  if (value === undefined) return '';
  return Array.isArray(value) ? value.join(' ') : String(value as string | number);
}

/**
 * Stones out of a CSV table, each checked as any other.
 * @throws HttpProblem 422 naming every row that is wrong
 */
export function setFromCsv(csv: string): readonly StoneInSet[] {
  const { data, errors, meta } = Papa.parse<Cells>(csv.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
  });
  const problems: FieldProblem[] = errors
    .filter(({ type }) => type !== 'Delimiter')
    .slice(0, 20)
    .map(({ row, message }) => ({
      field: `rows.${String((row ?? 0) + 2)}`,
      message: `Row ${String((row ?? 0) + 2)} cannot be read as a table: ${message}.`,
    }));
  const missing = (['name', 'kind', 'grade.standard', 'grade.grade'] as const).filter(
    (column) => !meta.fields?.includes(column),
  );
  if (missing.length > 0) {
    problems.push({
      field: 'rows.1',
      message: `Row 1 names the columns; these are missing: ${missing.join(', ')}.`,
    });
  }
  if (problems.length > 0) throw invalid(problems);
  return checkedRows(
    data.map((cells) => fromCells(cells)),
    2,
  );
}

/**
 * Stones out of a set file in JSON.
 * @throws HttpProblem 422 naming every entry that is wrong
 */
export const setFromJson = (abrasives: readonly object[]): readonly StoneInSet[] =>
  checkedRows(
    abrasives.map((each) => ({ stone: each as Loose, unread: [] })),
    1,
  );

interface RowRead {
  readonly stone: Loose;
  readonly unread: readonly FieldProblem[];
}

function fromCells(cells: Cells): RowRead {
  const stone: Loose = {};
  const unread: FieldProblem[] = [];
  for (const column of NAMES) {
    const cell = cells[column] ?? '';
    const kept = OWN_TEXT.has(column) ? cell : cell.trim();
    const text = kept.startsWith("'") && FORMULA.test(kept) ? kept.slice(1) : kept;
    if (text.trim() === '') continue;
    const value = valueOf(text, COLUMNS[column]);
    if (value instanceof Refusal) unread.push({ field: column, message: value.message });
    else put(stone, column.split('.'), value);
  }
  return { stone, unread };
}

function valueOf(text: string, type: (typeof COLUMNS)[Column]): unknown {
  if (type === 'list') return text.split(/[\s;|]+/);
  return type === 'number' ? attempt(() => parseNumber(text, 'cell')) : text;
}

function put(thing: Loose, [key = '', ...rest]: readonly string[], value: unknown): void {
  if (rest.length === 0) thing[key] = value;
  else put((thing[key] ??= {}) as Loose, rest, value);
}

/** A row that is new here has none yet. */
const ROW_ID: Readonly<Record<string, Schema>> = { id: Joi.string().pattern(/^[A-Za-z0-9_-]{1,64}$/) };
const rowSchema = abrasiveSchema.keys(ROW_ID);

function checkedRows(rows: readonly RowRead[], firstRow: number): readonly StoneInSet[] {
  if (rows.length === 0) throw invalid([{ field: 'rows', message: 'The file holds no stones.' }]);
  const seen = new Set<unknown>();
  const good: StoneInSet[] = [];
  const problems = rows.flatMap(({ stone, unread }, i): FieldProblem[] => {
    const row = String(i + firstRow);
    const named = typeof stone['name'] === 'string' ? ` (${stone['name'].slice(0, 40)})` : '';
    const result = check(rowSchema, stone);
    if (result.ok) good.push(result.value as unknown as StoneInSet);
    const wrong = result.ok
      ? []
      : result.errors.filter(({ field }) => unread.every((other) => other.field !== field));
    const twice =
      stone['id'] !== undefined && seen.has(stone['id'])
        ? [{ field: 'id', message: 'Two rows share an id: give each its own, or leave it out.' }]
        : [];
    seen.add(stone['id']);
    return [...unread, ...wrong, ...twice].map(({ field, message }) => ({
      field: `rows.${row}.${field}`,
      message: `Row ${row}${named}, ${field}: ${message}`.slice(0, 400),
    }));
  });
  if (problems.length > 0) throw invalid(problems.slice(0, 20));
  return good;
}
