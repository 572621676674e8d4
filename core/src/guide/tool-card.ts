import type { OwnedAbrasive } from '../abrasive/abrasive.js';
import { onItsWheel } from './on-its-wheel.js';
import { includedDeg } from '../blade/edge.js';
import { clampedWidthMm, facetSettings, facetsOf, type HonedFacet } from './facet-settings.js';
import { isRoller, seatTakes, type Guide } from './guide.js';
import type { SessionSetting } from './setting.js';
import { familyFacts } from '../blade/families.js';
import { STEELS, type Tool } from '../blade/tool.js';
import type { Identified } from '../base/identified.js';
import { stopFor, type StopFound } from './board-use.js';
import type { SettingBoard } from './setting-board.js';

/** How one facet is set in one guide. */
interface CardSetting {
  readonly facet: HonedFacet;
  readonly angleDeg: number;
  readonly guide: string;
  readonly seat?: string;
  readonly projectionMm?: number;
  /** On a wet wheel: bar to rim. */
  readonly gapMm?: number;
  readonly stop?: StopFound;
}

/** What stands on a tool's card. */
export interface ToolCard {
  readonly name: string;
  readonly family: string;
  readonly steel: string;
  readonly includedDeg: number;
  readonly facets: readonly { readonly facet: HonedFacet; readonly angleDeg: number }[];
  readonly settings: readonly CardSetting[];
  readonly finishUm: number;
  readonly lastSetting?: SessionSetting;
  readonly notes?: string;
}

/** Everything a tool's card says: its angles, and how each is set in every guide that takes it. */
export function toolCard(
  tool: Tool,
  guides: readonly Identified<Guide>[],
  boards: readonly Identified<SettingBoard>[],
  bench: readonly OwnedAbrasive[],
  lastSetting?: SessionSetting,
): ToolCard {
  const { name, family, steel, edge, notes } = tool;
  const facts = familyFacts(family);
  const settings = guides.flatMap((owned): readonly CardSetting[] => {
    const guide = onItsWheel(owned, bench);
    const seats = isRoller(guide)
      ? guide.seats.filter((seat) => seatTakes(seat, clampedWidthMm(edge)))
      : [undefined];
    return seats.flatMap((seat) =>
      facetSettings(tool, guide, seat).flatMap(({ facet, angleDeg, projectionMm, gapMm }) => {
        if (projectionMm === undefined && gapMm === undefined) return [];
        const stop = stopFor(boards, guide, seat, edge, angleDeg);
        return [
          {
            facet,
            angleDeg,
            guide: guide.name,
            ...(seat && { seat: seat.name }),
            ...(projectionMm !== undefined && { projectionMm }),
            ...(gapMm !== undefined && { gapMm }),
            ...(stop && { stop }),
          },
        ];
      }),
    );
  });
  return {
    name,
    family: facts.label,
    steel: STEELS[steel].label,
    includedDeg: includedDeg(edge),
    facets: facetsOf(edge),
    settings,
    finishUm: facts.finishUm,
    ...(lastSetting && { lastSetting }),
    ...(notes && { notes }),
  };
}
