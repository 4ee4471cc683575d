import { count } from '../stages/count/draft';
import { settings } from '../stages/decide/draft';
import { planting, rows } from '../stages/estate/draft';
import { cutting } from '../stages/prescribe/draft';
import { fruitSample, records } from '../stages/result/draft';
import { learning } from '../stages/result/learningDraft';
import { target } from '../stages/target/draft';
import type { PartOf } from './part';

/** The parts of a planting, from the stages they belong to. */
export const parts = { planting, target, settings, rows, records, learning, fruitSample, count, cutting };

export type PartName = keyof typeof parts;

type Parts = typeof parts;

/** What is typed in each part. */
export type Drafts = { [P in PartName]: ReturnType<Parts[P]['from']> };

/** What each part is read to. */
export type Entries = { [P in PartName]: ReturnType<Parts[P]['read']>['entry'] };

/** A part by its name, for work that is the same in all of them. */
export const partOf = <P extends PartName>(name: P) => parts[name] as unknown as PartOf<Drafts[P], Entries[P]>;
