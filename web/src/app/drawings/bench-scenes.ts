import {
  EDGE_X,
  type Mark,
  STONE,
  type Scene,
  type SceneOf,
  bare,
  drop,
  lay,
  path,
  stone,
  text,
} from './scene-marks';

export function washing(oil: boolean): Scene {
  const { top } = STONE;
  const drops = [70, 120, 170, 220, 270, 320, 370].map((x, i) => drop(x, 52 + 30 * (i % 3), 1.3));
  return {
    marks: [
      ...stone('', 'water'),
      ...drops,
      ...(oil ? [path('cloth', `M90 ${top - 6}q60 -34 130 -8q40 14 70 0v14H90Z`)] : []),
    ],
    words: oil
      ? 'the oil wiped off, then water over stone, guide and blade'
      : 'water over stone, guide and blade',
  };
}

export function flattening(): Scene {
  const { top } = STONE;
  return {
    marks: [
      ...stone('', 'water'),
      path('plate', `M110 ${top - 22}h220v20H110Z`),
      path('way', `M150 ${top - 52}h140m-14 -9l14 9l-14 9M150 ${top - 52}l14 -9m-14 9l14 9`),
    ],
    words: 'a flat plate rubbed over the stone until it touches everywhere',
  };
}

/** The stones of the plan in their order, each wet, oiled or dry. */
export function ready({ run, stoneOf }: SceneOf): Scene {
  const ids = [...new Set(run.plan.steps.map(({ abrasiveId }) => abrasiveId))].slice(0, 5);
  const width = 380 / Math.max(1, ids.length);
  return {
    marks: ids.flatMap((id, i): readonly Mark[] => {
      const [x, y] = [30 + i * width, 110];
      const { kind = '', lubricant = 'dry' } = stoneOf(id) ?? {};
      return [
        path(kind === 'strop' ? 'slab strop' : 'slab', `M${x} ${y}h${width - 16}v46h${16 - width}Z`),
        ...(lubricant === 'water' || lubricant === 'oil'
          ? [path(`film ${lubricant}`, `M${x} ${y}h${width - 16}`)]
          : []),
        text('deg', x + width / 2 - 14, y + 32, String(i + 1)),
      ];
    }),
    words: 'the stones of the plan in their order, each as it wants to be',
  };
}

export function unplugged(): Scene {
  return {
    marks: [
      path('cord', 'M20 150H150'),
      path('plate', 'M150 122h50v56h-50Z'),
      path('cord', 'M200 136h34M200 164h34'),
      path('slab', 'M300 100h90v100h-90Z'),
      path('hair', 'M322 136h14M322 164h14'),
    ],
    words: 'the plug out of its socket',
  };
}

export function wiping(of: SceneOf): Scene {
  const laid = lay(bare(of), 'back', 0, { width: 330, height: 110 });
  const y = STONE.top - 60;
  return {
    marks: [
      ...(laid?.marks ?? []),
      path('cloth', `M230 ${y + 28}q40 -34 92 -8q30 14 54 0v22H230Z`),
      path('way', `M210 ${y}H80m14 -9l-14 9l14 9`),
      text('note', 84, y - 14, 'off over the edge, never along it'),
    ],
    words: 'a cloth wiped from the body of the blade off over its edge, never along it',
  };
}

export function breaker(of: SceneOf): Scene {
  const laid = lay(bare(of), 'back', 0, { width: 330, height: 90 });
  const scale = laid?.scale ?? 10;
  const x = EDGE_X + 2 * scale;
  const y = STONE.top;
  return {
    marks: [
      ...(laid?.marks ?? []),
      path('plate', `M${x} ${y}q24 22 60 22H400v-14H${x + 66}q-40 0 -66 -8Z`),
      path('measure', `M${EDGE_X} ${y + 34}H${x}m0 -6v12M${EDGE_X} ${y + 28}v12`),
      text('deg', EDGE_X - 6, y + 58, '2 mm'),
    ],
    words: 'the chip breaker on the back, about 2 mm behind the edge',
  };
}

export function wrapped(of: SceneOf): Scene {
  const laid = lay(bare(of), 'back', 0, { width: 330, height: 110 });
  const y = STONE.top;
  return {
    marks: [
      ...(laid?.marks ?? []),
      path('cloth', `M${EDGE_X - 24} ${y - 66}h150v74H${EDGE_X - 24}Z`),
      path('hair', `M${EDGE_X + 10} ${y - 66}v74M${EDGE_X + 60} ${y - 66}v74`),
    ],
    words: 'the edge wrapped',
  };
}
