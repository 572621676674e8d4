import { Refusal, attempt } from '@mellow-anvil/core';
import { HEAVY, type HeavyAnswer, type HeavyOrder } from './heavy-tasks';

addEventListener('message', ({ data }: MessageEvent<HeavyOrder>) => {
  const result = attempt(() => HEAVY[data.task](data.input as never));
  const answer: HeavyAnswer =
    result instanceof Refusal
      ? { order: data.order, refusal: { field: result.field, message: result.message } }
      : { order: data.order, value: result };
  postMessage(answer);
});
