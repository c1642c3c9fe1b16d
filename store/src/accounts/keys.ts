import { roles, type Role } from '@holotonos/core';
import { hashPassword, verifyPassword } from 'better-auth/crypto';
import { and, asc, count, eq, gt, isNotNull, ne, sql } from 'drizzle-orm';
import { createHash, randomBytes, randomUUID } from 'node:crypto';
import type { Database } from '../database';
import { audit, benches, credentials, sessions, users } from '../schema';

/** Somebody who has a key, without anything that opens a door. */
export interface Key {
  id: string;
  name: string;
  role: Role;
  /** where they sign in with a password; null where a number at the bench is all they have */
  email: string | null;
  person: string | null;
  hasPin: boolean;
  ended: boolean;
}

/** A key as it is asked for. What is left out stays as it is. */
export interface KeyWish {
  name?: string;
  role?: Role;
  email?: string;
  password?: string;
  /** four to eight digits */
  pin?: string;
  person?: string;
  ended?: boolean;
}

/** What is wrong with a wish, in words for whoever has made it. */
export class BadKey extends Error {
  override readonly name = 'BadKey';
}

/** How long a password is, at least and at most. */
export const passwordLength = { least: 10, most: 128 } as const;
/** Nobody can be written to at such an address, by its name. */
const noMail = /@(?:bench|demo)\.invalid$/;
/** A key that ships with the demo: its number stands on the page where one signs in. */
export const isDemoKey = (email: string): boolean => email.endsWith('@demo.invalid');

const shown = ({ id, name, role, email, person, pinHash, ended }: typeof users.$inferSelect): Key => ({
  id,
  name,
  role,
  email: noMail.test(email) ? null : email,
  person,
  hasPin: pinHash !== null,
  ended,
});

/** Has anybody a key? Without any the shop is open to whoever reaches this machine. */
export async function hasKeys(db: Database): Promise<boolean> {
  const found = await db
    .select({ one: sql`1` })
    .from(users)
    .limit(1);
  return found.length > 0;
}

/** Everybody who has a key or had one: those who have one first, by name. 500 at most. */
const keyRows = (db: Database) => db.select().from(users).orderBy(asc(users.ended), asc(users.name)).limit(500);
export const listKeys = async (db: Database): Promise<Key[]> => (await keyRows(db)).map(shown);

/** The same with the addresses as they are kept: by them a key of the demo is told from others. */
export const keysWithMail = async (db: Database): Promise<(Key & { mail: string })[]> =>
  (await keyRows(db)).map((row) => ({ ...shown(row), mail: row.email }));

/** Is one of the keys of the demo among them? */
export async function hasDemoKeys(db: Database): Promise<boolean> {
  const [found] = await db
    .select({ many: count() })
    .from(users)
    .where(sql`${users.email} like '%@demo.invalid'`);
  return (found?.many ?? 0) > 0;
}

function checkWish({ name, email, password, pin, role }: KeyWish): void {
  if (name !== undefined && (name.trim() === '' || name.length > 80 || /[\u0000-\u001f\u007f]/.test(name)))
    throw new BadKey('A name has 1 to 80 characters.');
  if (role !== undefined && !roles.includes(role)) throw new BadKey(`There is no role “${String(role)}”.`);
  if (email !== undefined && (!/^[^\s@]+@[^\s@]+\.[^\s@]+$/.test(email) || email.length > 200))
    throw new BadKey('That is no e-mail address.');
  if (password !== undefined && (password.length < passwordLength.least || password.length > passwordLength.most))
    throw new BadKey(`A password has ${passwordLength.least} characters at least, ${passwordLength.most} at most.`);
  if (pin !== undefined && !/^\d{4,8}$/.test(pin)) throw new BadKey('A PIN has four to eight digits.');
}

/** Nobody else who is here is called so: entries are signed with the name. */
async function nameIsFree(tx: Database, name: string, id: string): Promise<void> {
  const [other] = await tx
    .select({ id: users.id })
    .from(users)
    .where(and(sql`lower(${users.name}) = lower(${name})`, ne(users.id, id), eq(users.ended, false)))
    .limit(1);
  if (other) throw new BadKey(`Somebody called ${name} has a key already: tell the two apart.`);
}

/** Nobody else signs in with this address. */
async function mailIsFree(tx: Database, email: string, id: string): Promise<void> {
  const [other] = await tx
    .select({ id: users.id })
    .from(users)
    .where(and(eq(users.email, email), ne(users.id, id)))
    .limit(1);
  if (other) throw new BadKey('Somebody signs in with this e-mail address already.');
}

async function setPassword(tx: Database, userId: string, password: string): Promise<void> {
  const hashed = await hashPassword(password);
  const known = await tx
    .update(credentials)
    .set({ password: hashed, updatedAt: new Date() })
    .where(and(eq(credentials.userId, userId), eq(credentials.providerId, 'credential')))
    .returning({ id: credentials.id });
  if (known.length === 0)
    await tx
      .insert(credentials)
      .values({ id: randomUUID(), accountId: userId, providerId: 'credential', userId, password: hashed });
}

/** Any number that no one else uses for an advisory lock in this database. */
const keysLock = 0x401_0711;

/** Two who change keys at once go one after the other: only so is there always an owner left. */
const changing = <T>(db: Database, work: (tx: Database) => Promise<T>): Promise<T> =>
  db.transaction(async (tx) => {
    await tx.execute(sql`select pg_advisory_xact_lock(${keysLock})`);
    return work(tx as unknown as Database);
  });

/**
 * Gives somebody a key: a name, a role, and a password with an e-mail address, a PIN, or both.
 *
 * @param first only as the very first of all; then it is an owner’s and has a password
 * @throws BadKey in words
 */
export async function makeKey(
  db: Database,
  wish: KeyWish & { name: string; role: Role },
  { first = false, demo = false } = {},
): Promise<Key> {
  checkWish(wish);
  const { role, email, password, pin, person } = wish;
  const name = wish.name.trim();
  if ((email === undefined) !== (password === undefined))
    throw new BadKey('An e-mail address and a password go together.');
  if (password === undefined && pin === undefined) throw new BadKey('Give a password, a PIN, or both.');
  if ((first || role === 'owner') && password === undefined && !demo)
    throw new BadKey('An owner needs an e-mail address and a password: a PIN is for the bench only.');
  return changing(db, async (tx) => {
    if (first && (await hasKeys(tx))) throw new BadKey('This shop has an owner already. Sign in, or ask for a key.');
    await nameIsFree(tx, name, '');
    const id = randomUUID();
    const address = (email ?? `${id}@${demo ? 'demo' : 'bench'}.invalid`).toLowerCase();
    await mailIsFree(tx, address, id);
    const [made] = await tx
      .insert(users)
      .values({
        id,
        name,
        email: address,
        role,
        person: person ?? null,
        pinHash: pin === undefined ? null : await hashPassword(pin),
      })
      .returning();
    if (!made) throw new Error('nothing came back from the database');
    if (password !== undefined) await setPassword(tx, id, password);
    return shown(made);
  });
}

/**
 * Changes a key, or ends it. Who is signed in with one that is ended, or has another role now, is signed out.
 *
 * @throws BadKey in words; the last owner with a password stays one
 */
export async function changeKey(db: Database, id: string, wish: KeyWish): Promise<Key> {
  checkWish(wish);
  return changing(db, async (tx) => {
    const [before] = await tx.select().from(users).where(eq(users.id, id)).limit(1);
    if (!before) throw new BadKey('There is no such key any more.');
    const name = wish.name?.trim() ?? before.name;
    const ended = wish.ended ?? before.ended;
    if (!ended) await nameIsFree(tx, name, id);
    const email = wish.email?.toLowerCase() ?? before.email;
    await mailIsFree(tx, email, id);
    if (wish.password !== undefined && noMail.test(email))
      throw new BadKey('An e-mail address and a password go together.');
    const [after] = await tx
      .update(users)
      .set({
        name,
        email,
        ended,
        role: wish.role ?? before.role,
        person: wish.person ?? before.person,
        ...(wish.pin !== undefined && { pinHash: await hashPassword(wish.pin) }),
        updatedAt: new Date(),
      })
      .where(eq(users.id, id))
      .returning();
    if (!after) throw new Error('nothing came back from the database');
    if (wish.password !== undefined) await setPassword(tx, id, wish.password);
    const owners = await tx
      .select({ id: users.id })
      .from(users)
      .innerJoin(credentials, and(eq(credentials.userId, users.id), isNotNull(credentials.password)))
      .where(and(eq(users.role, 'owner'), eq(users.ended, false)))
      .limit(1);
    if (owners.length === 0 && !isDemoKey(before.email))
      throw new BadKey('Somebody must stay who is an owner and has a password.');
    const secret = wish.password !== undefined || wish.pin !== undefined;
    if (ended || after.role !== before.role || secret) await tx.delete(sessions).where(eq(sessions.userId, id));
    return shown(after);
  });
}

const triesAllowed = 5;
const triesWithinMinutes = 15;

/**
 * Is this the PIN of this key? After five wrong ones within a quarter of an hour none is looked at any more.
 *
 * @returns `locked` where too many were wrong of late
 */
export async function checkPin(db: Database, id: string, pin: string): Promise<'right' | 'wrong' | 'locked'> {
  const since = new Date(Date.now() - triesWithinMinutes * 60_000).toISOString();
  const [wrong] = await db
    .select({ many: count() })
    .from(audit)
    .where(and(eq(audit.what, 'refused'), eq(audit.about, `PIN of ${id}`), gt(audit.at, since)));
  if ((wrong?.many ?? 0) >= triesAllowed) return 'locked';
  const [user] = await db
    .select()
    .from(users)
    .where(and(eq(users.id, id), eq(users.ended, false)))
    .limit(1);
  // As long for somebody who is not there: nobody learns by the clock who has a key.
  const hash = user?.pinHash ?? (await unknownHash());
  const fits = await verifyPassword({ hash, password: pin });
  return fits && user?.pinHash ? 'right' : 'wrong';
}
let ofNobody: Promise<string> | null = null;
const unknownHash = () => (ofNobody ??= hashPassword(randomUUID()));

const hashOf = (token: string) => createHash('sha256').update(token).digest('hex');

/** Makes a browser a bench of the shop. @returns what it carries from now on; only its hash is kept */
export async function makeBench(db: Database, madeBy: string): Promise<string> {
  const token = randomBytes(32).toString('base64url');
  await db.insert(benches).values({ tokenHash: hashOf(token), madeBy });
  return token;
}

/** Is a browser that carries this a bench of the shop? */
export async function isBench(db: Database, token: string): Promise<boolean> {
  if (token === '') return false;
  const found = await db
    .select({ id: benches.id })
    .from(benches)
    .where(eq(benches.tokenHash, hashOf(token)))
    .limit(1);
  return found.length > 0;
}
