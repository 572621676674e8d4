import { calculations } from '@mellow-anvil/contract';
import { planAnswer, planHoning } from '@mellow-anvil/core/plan';
import { calculateTask } from '../features/calc/tasks.js';
import { drawCardTask } from '../features/cards/tasks.js';
import { drawn } from '../features/patterns/drawing.js';
import { handOf } from '../features/patterns/hand.js';
import { drawPatternTask } from '../features/patterns/tasks.js';
import { answerPlanTask, planTask } from '../features/plans/tasks.js';
import { checked } from '../platform/checked.js';
import { describeTask, openApi, workshopJsonSchema } from '../platform/openapi.js';
import { answerTasks } from '../platform/answering.js';
import { done } from '../platform/task.js';

// Figures and drawings: they need nothing but what they are given.
answerTasks([
  done(calculateTask, ({ name, body }) => {
    const calculation = calculations[name] as (typeof calculations)[string];
    return calculation.run(checked(calculation.input, body) as never);
  }),
  done(planTask, ({ tool, abrasives, request, bench }) => planHoning(tool, abrasives, request, bench)),
  done(answerPlanTask, ({ of, request }) => planAnswer(of, request)),
  done(drawPatternTask, (asked) => drawn(asked.pattern, asked.form, asked)),
  done(drawCardTask, async ({ card, edge, address, figures, paper, printer }) => {
    const { cardPdf } = await import('../features/cards/card.pdf.js');
    return cardPdf(card, edge, address, handOf(figures), { paper, printer });
  }),
  done(describeTask, (what) => JSON.stringify(what === 'server' ? openApi() : workshopJsonSchema())),
]);
