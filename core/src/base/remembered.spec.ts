import { remembered } from './remembered.js';

describe('what is remembered', () => {
  it('is worked out once for the very same thing, and for another that is equal to it', () => {
    let asked = 0;
    const double = remembered(({ mm }: { readonly mm: number }) => ((asked += 1), 2 * mm));
    const [land, other] = [{ mm: 1.5 }, { mm: 1.5 }];
    expect([double(land), double(land), asked]).toEqual([3, 3, 1]);
    expect([double(other), asked]).toEqual([3, 2]);
  });

  it('is an answer too where there is none', () => {
    let asked = 0;
    const first = remembered((lands: readonly number[]) => {
      asked += 1;
      return lands[0];
    });
    const none: readonly number[] = [];
    expect([first(none), first(none), asked]).toEqual([undefined, undefined, 1]);
  });
});
