import { calculations, type Paper } from '@mellow-anvil/contract';
import type { BenchRecord, OwnedAbrasive } from '@mellow-anvil/core/abrasive';
import type { Edge, Tool } from '@mellow-anvil/core/blade';
import type { ToolCard } from '@mellow-anvil/core/guide';
import type { Pattern } from '@mellow-anvil/core/pattern';
import {
  type AskedOf,
  type HoningPlan,
  planAnswer,
  type PlanAnswer,
  planHoning,
  type PlanRequest,
} from '@mellow-anvil/core/plan';
import type { PrinterBars, Settings } from '@mellow-anvil/core/workshop';
import { drawn, handOf, type PatternForm } from '../patterns/drawing.js';
import { openApi, workshopJsonSchema } from '../openapi/openapi.js';
import { checked } from '../shared/resource.routes.js';
import { cardPdf } from '../tools/card.pdf.js';

/** A calculation of the contract on a body as it was sent: what is wrong with that is told from here too. */
async function calculate({ name, body }: { readonly name: string; readonly body: unknown }): Promise<object> {
  const calculation = calculations[name] as (typeof calculations)[string];
  return calculation.run(checked(calculation.input, body) as never);
}

async function plan(asked: {
  readonly tool: Tool;
  readonly abrasives: readonly OwnedAbrasive[];
  readonly request: PlanRequest;
  readonly bench: BenchRecord;
}): Promise<HoningPlan> {
  return planHoning(asked.tool, asked.abrasives, asked.request, asked.bench);
}

/** The plan the page would show, from what is stored. */
async function answerPlan(asked: {
  readonly of: AskedOf;
  readonly request: Partial<PlanRequest>;
}): Promise<PlanAnswer> {
  return planAnswer(asked.of, asked.request);
}

function drawPattern(asked: {
  readonly pattern: Pattern;
  readonly form: PatternForm;
  readonly paper: Paper;
  readonly printer: PrinterBars;
}): Promise<Uint8Array | string | undefined> {
  return drawn(asked.pattern, asked.form, asked);
}

function drawCard(asked: {
  readonly card: ToolCard;
  readonly edge: Edge;
  readonly address: string;
  readonly figures: Pick<Settings, 'units' | 'decimalMark'>;
  readonly paper: Paper;
  readonly printer: PrinterBars;
}): Promise<Uint8Array> {
  const { card, edge, address, figures, paper, printer } = asked;
  return cardPdf(card, edge, address, handOf(figures), { paper, printer });
}

/** The server's own description, or the workshop file's, as text. */
async function describe(what: 'server' | 'file'): Promise<string> {
  return JSON.stringify(what === 'server' ? openApi() : workshopJsonSchema());
}

/** Figures and drawings: they need nothing but what they are given. */
export const SHORT_TASKS = { calculate, plan, answerPlan, drawPattern, drawCard, describe };
export type ShortTasks = typeof SHORT_TASKS;
