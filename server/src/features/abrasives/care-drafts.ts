import { type Abrasive, type Care, caresOf, kindFacts } from '@mellow-anvil/core/abrasive';
import { invalid } from '../../platform/problem.js';
import { orInvalid } from '../../storage/or-invalid.js';
import type { Complete } from '../../storage/resource.routes.js';
import type { Store } from '../../storage/store.js';

/** Care is of an abrasive on the bench, and of the sort its kind takes. */
export function careDrafts(abrasives: Store<Abrasive>): Complete<Care, Care> {
  return async (care) => {
    const abrasive = await orInvalid('abrasiveId', abrasives.read(care.abrasiveId));
    if (!caresOf(abrasive).includes(care.kind)) {
      const { label } = kindFacts(abrasive.kind);
      throw invalid([
        {
          field: 'kind',
          message: `A ${label.toLowerCase()} is not cared for in this way: choose ${caresOf(abrasive).join(' or ')}.`,
        },
      ]);
    }
    return care;
  };
}
