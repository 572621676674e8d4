import type { CamberDesign } from './camber-design.js';
import type { Edge } from './edge.js';
import type { Family } from './families.js';
import type { Handles, WayUp } from './handles.js';
import type { Count, Manner } from './manner.js';

/**
 * Steel families and how much more work they are than plain carbon steel, for the same volume.
 * Estimates (common practice says only: harder-wearing steel takes more strokes).
 */
export const STEELS = {
  'high-carbon': { label: 'Plain high-carbon (O1, W1 and similar)', factor: 1 },
  laminated: { label: 'Laminated, hard plain-carbon edge', factor: 1.1 },
  'air-hardening': { label: 'Air-hardening (A2)', factor: 1.4 },
  'high-chromium': { label: 'High-chromium (D2)', factor: 1.8 },
  'powder-metallurgy': { label: 'Powder-metallurgy', factor: 1.9 },
  'high-speed': { label: 'High-speed (M2)', factor: 2 },
} as const;
export type Steel = keyof typeof STEELS;
export const STEEL_NAMES = Object.keys(STEELS) as readonly Steel[];

/** The plane an iron lives in. */
export interface HostPlane {
  readonly bedDeg: number;
  readonly orientation: 'bevel-down' | 'bevel-up';
}

/** What a tool on the rack asks for, from least to most work. */
export const RACK_STATES = ['ready', 'strop', 'hone', 'regrind', 'repair'] as const;
export type RackState = (typeof RACK_STATES)[number];

/** The user's own word on a tool's state, over what the record says, from an instant on. */
export interface Overruling {
  readonly state: RackState;
  /** ISO 8601 instant. */
  readonly at: string;
  readonly why?: string;
}

/** What a look before money came to, kept with the tool. Lengths mm. */
export interface Bought {
  /** The day, ISO 8601. */
  readonly on: string;
  readonly verdict: 'user' | 'project' | 'leave';
  readonly minutes: number;
  readonly recessionMm: number;
  /** Hard steel left when its first edge is on, and the years it lasts. */
  readonly leftMm: number;
  readonly yearsLow: number;
  readonly yearsHigh: number;
}

/** A tool on the rack. `edge.form` always agrees with the family's. */
export interface Tool {
  readonly name: string;
  readonly family: Family;
  readonly steel: Steel;
  readonly edge: Edge;
  readonly host?: HostPlane;
  /** How an iron's edge was designed to be curved; its `front` is the curve itself. */
  readonly camber?: CamberDesign;
  /** Tools that stand together, such as a set of chisels, share this name. */
  readonly setName?: string;
  /** The set of stones it is sharpened on, as its owner chose; the whole bench where that is empty. */
  readonly stoneSet?: string;
  /** How much of the order of work it is walked through; by how often it was honed, until somebody chose. */
  readonly manner?: Manner;
  /**
   * How strokes are counted on its stones and on its strop, as its user last chose; else as the order has it. `onStone`
   * where its last stone is used as a strop first.
   */
  readonly counts?: { readonly stone?: Count; readonly strop?: Count; readonly onStone?: Count };
  /** Of a drawknife: its handles, and which way up it is held, by its user's word. */
  readonly handles?: Handles;
  readonly held?: WayUp;
  /** How it was looked over before it was bought. */
  readonly bought?: Bought;
  readonly overruling?: Overruling;
  readonly notes?: string;
}
