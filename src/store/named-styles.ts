import { asc, eq } from 'drizzle-orm';
import { type NamedStyle, commonOf } from '../core/figures/figure-style';
import type { Db } from './open';
import { namedStyles } from './schema';

/** All of them, by name. */
export const readStyles = (db: Db): NamedStyle[] => db.select().from(namedStyles).orderBy(asc(namedStyles.name)).all();

/** Keeps what figures of one paper have in common of a style; under a name that is there already, in its place. */
export function keepStyle(db: Db, { name, style }: NamedStyle): void {
  const kept = commonOf(style);
  db.insert(namedStyles)
    .values({ name, style: kept })
    .onConflictDoUpdate({ target: namedStyles.name, set: { style: kept } })
    .run();
}

/** Forgets a style; figures drawn by it stay as they are. */
export const forgetStyle = (db: Db, name: string): void => {
  db.delete(namedStyles).where(eq(namedStyles.name, name)).run();
};
