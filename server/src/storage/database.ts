import type { Sequelize, Transaction } from 'sequelize';
import type { Damage } from './finding.js';
import type { Statements } from './sqlite-file.js';

/** The database's name in its folder. */
export const DATABASE_FILE = 'workshop.sqlite';

/** Folders that a restore works in; one found at a start was left by a program that was killed. */
export const RESTORING = 'restoring-';

/** An instant as part of a file's name. */
export const stampOf = (instant: Date): string => instant.toISOString().replace(/[:.]/g, '-');

export interface Database {
  readonly sequelize: Sequelize;
  readonly folder: string;
  readonly file: string;
  /** Name of the newest migration this file has had. */
  readonly schema: string;
  /** Backup made before migrating, if one was. */
  readonly backup: string | undefined;
  /** What this start found that the user should know, in sentences. */
  readonly told: readonly string[];
  /** Why the file is not used as it is; then every question asked of it is refused. */
  readonly damage: Damage | undefined;
  /** Another number after everything that was stored or put in its place, by whomever. */
  readonly edition: number;
  /**
   * One writer at a time, in one transaction: all of it is stored or none.
   * @param work may use Sequelize, or the driver where an answer waits for every statement
   */
  write<T>(work: (transaction: Transaction, statements: Statements) => Promise<T>): Promise<T>;
  /** Resolves when questions may be asked. @throws WorkshopDamaged */
  ready(): Promise<void>;
  /**
   * Keeps every other writer away while another thread writes once.
   * @param work is told how many writes are counted so far
   */
  writeElsewhere<T>(work: (writes: number) => Promise<T>): Promise<T>;
  /** Copies the database as it is this moment, checked, with its sum beside it. */
  copyTo(file: string): Promise<void>;
  /**
   * Whether the file is still what this program wrote to it.
   * @returns a sentence when the disk or another program has changed it
   */
  changedBehind(): Promise<string | undefined>;
  /** Writes the log into the file, and seals that. */
  settle(): Promise<void>;
  /**
   * Puts a database of this release in place of everything stored, while every writer waits, so that
   * what was acknowledged is in what was there before or in what is written after.
   * @param copyTo where what is there is copied to, when it is sound
   * @param aside folder its files are set aside in, when it is not
   * @returns which of the two was done
   */
  replaceBy(copy: string, copyTo: string, aside: string): Promise<'copied' | 'set-aside'>;
  /** Opens a damaged file that can be read as it is. */
  openAsItIs(): Promise<void>;
  /** Sets a damaged file aside and begins an empty workshop. */
  beginAnew(aside: string): Promise<void>;
  /** Writes down where its page is, for a second program on this folder to say. */
  answersAt(address: string): Promise<void>;
  close(): Promise<void>;
}

/** What it takes to read and write rows. */
export type Connection = Pick<Database, 'sequelize' | 'write'>;
