/** One standard's grades, coarse to fine, and their median sizes in µm. */
export interface GradeTable {
  readonly name: string;
  readonly prefix: string;
  readonly example: string;
  readonly source: string;
  readonly fromMemory: boolean;
  readonly sizes: ReadonlyMap<number, number>;
}

/**
 * Compared grade by grade with the copy in Debian's `units` data (from FEPA's own page): equal.
 */
export const FEPA_P: GradeTable = {
  name: 'FEPA P',
  prefix: 'P',
  example: 'P1000',
  source: 'FEPA P: macrogrits P12–P220 ISO 6344-2, microgrits P240–P2500 ISO 6344-3',
  fromMemory: false,
  sizes: new Map([
    [12, 1815],
    [16, 1324],
    [20, 1000],
    [24, 764],
    [30, 642],
    [36, 538],
    [40, 425],
    [50, 336],
    [60, 269],
    [80, 201],
    [100, 162],
    [120, 125],
    [150, 100],
    [180, 82],
    [220, 68],
    [240, 58.5],
    [280, 52.2],
    [320, 46.2],
    [360, 40.5],
    [400, 35],
    [500, 30.2],
    [600, 25.8],
    [800, 21.8],
    [1000, 18.3],
    [1200, 15.3],
    [1500, 12.6],
    [2000, 10.3],
    [2500, 8.4],
  ]),
};

/** Compared grade by grade with the copy in Debian's `units` data (from FEPA's own page): equal. */
export const FEPA_F: GradeTable = {
  name: 'FEPA F',
  prefix: 'F',
  example: 'F400',
  source: 'FEPA F: F4–F220 ISO 8486-1, F230–F2000 ISO 8486-2',
  fromMemory: false,
  sizes: new Map([
    [4, 4890],
    [5, 4125],
    [6, 3460],
    [7, 2900],
    [8, 2460],
    [10, 2085],
    [12, 1765],
    [14, 1470],
    [16, 1230],
    [20, 1040],
    [22, 885],
    [24, 745],
    [30, 625],
    [36, 525],
    [40, 438],
    [46, 370],
    [54, 310],
    [60, 260],
    [70, 218],
    [80, 185],
    [90, 154],
    [100, 129],
    [120, 109],
    [150, 82],
    [180, 69],
    [220, 58],
    [230, 53],
    [240, 44.5],
    [280, 36.5],
    [320, 29.2],
    [360, 22.8],
    [400, 17.3],
    [500, 12.8],
    [600, 9.3],
    [800, 6.5],
    [1000, 4.5],
    [1200, 3],
    [1500, 2],
    [2000, 1.2],
  ]),
};

/**
 * From memory. Debian's `units` has a coated table too, but it fills the macrogrits in from FEPA F
 * and is not monotonic past 600, so it is no copy of B74.18 to compare with.
 */
export const ANSI_COATED: GradeTable = {
  name: 'ANSI/CAMI coated',
  prefix: '',
  example: '400',
  source: 'ANSI B74.18 (coated abrasives)',
  fromMemory: true,
  sizes: new Map([
    [16, 1320],
    [20, 905],
    [24, 715],
    [30, 638],
    [36, 535],
    [40, 428],
    [50, 351],
    [60, 268],
    [80, 192],
    [100, 141],
    [120, 116],
    [150, 93],
    [180, 78],
    [220, 66],
    [240, 53.5],
    [280, 44],
    [320, 36],
    [360, 28],
    [400, 23.6],
    [500, 19.7],
    [600, 16],
    [800, 12.2],
    [1000, 9.2],
    [1200, 6.5],
  ]),
};

/**
 * Electrical resistance test method, median. #240 and #500 are from memory; the other sixteen equal
 * the copy in Debian's `units` data.
 */
export const JIS: GradeTable = {
  name: 'JIS',
  prefix: '#',
  example: '#1000',
  source: 'JIS R 6001-2 (electrical resistance test method, median)',
  fromMemory: false,
  sizes: new Map([
    [240, 57],
    [280, 48],
    [320, 40],
    [360, 35],
    [400, 30],
    [500, 25],
    [600, 20],
    [700, 17],
    [800, 14],
    [1000, 11.5],
    [1200, 9.5],
    [1500, 8],
    [2000, 6.7],
    [2500, 5.5],
    [3000, 4],
    [4000, 3],
    [6000, 2],
    [8000, 1.2],
  ]),
};
