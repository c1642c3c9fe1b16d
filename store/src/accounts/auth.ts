import type { Asker, Keeping, Role } from '@holotonos/core';
import { betterAuth, type GenericEndpointContext as Context } from 'better-auth';
import { drizzleAdapter } from 'better-auth/adapters/drizzle';
import { APIError, createAuthEndpoint, createAuthMiddleware, getSessionFromCtx } from 'better-auth/api';
import { setSessionCookie } from 'better-auth/cookies';
import { toNodeHandler } from 'better-auth/node';
import { sql } from 'drizzle-orm';
import { randomBytes } from 'node:crypto';
import type { Database } from '../database';
import { credentials, rateLimits, secrets, sessions, users, verifications } from '../schema';
import { demoPeople } from './demoKeys';
import { addressHeader, noteAudit, readAudit, type AuditLine } from './audit';
import {
  BadKey,
  changeKey,
  checkPin,
  hasDemoKeys,
  hasKeys,
  isBench,
  isDemoKey,
  keysWithMail,
  listKeys,
  makeBench,
  makeKey,
  passwordLength,
  type KeyWish,
} from './keys';

/** The cookie that makes a browser a bench of the shop: it outlives those who work there. */
const benchCookie = 'holotonos.bench';
const benchSeconds = 60 * 60 * 24 * 400;
/** Whoever does not come for so long signs in again. */
const sessionSeconds = 60 * 60 * 24 * 7;

/** Which requests the library is asked at all; whatever else it can do is not of this shop. */
export const authPaths: readonly string[] = [
  '/sign-in/email',
  '/sign-out',
  '/first-owner',
  '/hands',
  '/own',
  '/bench',
  '/keys',
  '/audit',
  '/people',
];

/** What cookies are signed with: made once for a database, the same for every process that works on it. */
export async function secretOf(db: Database, name = 'cookies'): Promise<string> {
  await db
    .insert(secrets)
    .values({ name, value: randomBytes(32).toString('hex') })
    .onConflictDoNothing();
  const [row] = await db
    .select()
    .from(secrets)
    .where(sql`${secrets.name} = ${name}`);
  if (!row) throw new Error('the secret is not there although it was just made');
  return row.value;
}

/** A user of the library, with what this shop adds to one. */
interface KnownUser {
  name: string;
  email: string;
  role: Role;
  ended: boolean;
}

export interface AuthOptions {
  secret: string;
  /** the server answers to other names than those of this machine: keys of the demo open nothing there */
  beyond: boolean;
}

const refuse = (status: 'BAD_REQUEST' | 'UNAUTHORIZED' | 'FORBIDDEN' | 'TOO_MANY_REQUESTS', message: string) =>
  new APIError(status, { message });

/** The body as it came: an object, or nothing that can be used. */
const fieldsOf = (body: unknown): Record<string, unknown> =>
  typeof body === 'object' && body !== null ? (body as Record<string, unknown>) : {};
const textOf = (value: unknown): string => (typeof value === 'string' ? value : '');

const wishFields = ['name', 'role', 'email', 'password', 'pin', 'person'] as const;
/** What of a body may be wished for a key. An empty field wishes nothing. */
function wishOf(body: unknown): KeyWish {
  const fields = fieldsOf(body);
  const wish: Record<string, unknown> = {};
  for (const name of wishFields) if (typeof fields[name] === 'string' && fields[name] !== '') wish[name] = fields[name];
  if (typeof fields['ended'] === 'boolean') wish['ended'] = fields['ended'];
  return wish as KeyWish;
}

/** Runs what may find a wish wrong; says so as a refusal. */
async function inWords<T>(work: () => Promise<T>): Promise<T> {
  try {
    return await work();
  } catch (error) {
    throw error instanceof BadKey ? refuse('BAD_REQUEST', error.message) : error;
  }
}

/** Writes down what happened, with where the request came from. */
const noteIn = (db: Database) => (ctx: { headers?: Headers | undefined }, line: AuditLine) =>
  noteAudit(db, { ...line, address: ctx.headers?.get(addressHeader) ?? '' });

/** What the library that keeps accounts does not know: the first owner, numbers at the bench, who has which key. */
const ofTheShop = (db: Database, { beyond }: AuthOptions) => {
  const note = noteIn(db);
  const begin = async (ctx: Context, id: string) => {
    const user = await ctx.context.internalAdapter.findUserById(id);
    const session = await ctx.context.internalAdapter.createSession(id);
    if (!user || !session) throw refuse('UNAUTHORIZED', 'There is no such key any more.');
    await setSessionCookie(ctx, { session, user });
  };
  const makeThisABench = async (ctx: Context, id: string) => {
    const token = await makeBench(db, id);
    ctx.setCookie(benchCookie, token, {
      httpOnly: true,
      sameSite: 'lax',
      path: '/',
      maxAge: benchSeconds,
      secure: ctx.context.authCookies.sessionToken.attributes.secure === true,
    });
  };
  /** Whoever has this key, as the library knows them; null for nobody, and for a key that was taken back. */
  const liveKey = async (ctx: Context, id: string): Promise<KnownUser | null> => {
    const user = id === '' ? null : ((await ctx.context.internalAdapter.findUserById(id)) as KnownUser | null);
    return user?.ended === false ? user : null;
  };
  const signedIn = async (ctx: Context) => {
    const found = await getSessionFromCtx(ctx);
    if (!found || found.user['ended'] === true) throw refuse('UNAUTHORIZED', 'Sign in first.');
    return found.user as typeof found.user & KnownUser;
  };
  const owner = async (ctx: Context) => {
    const user = await signedIn(ctx);
    if (user.role !== 'owner') throw refuse('FORBIDDEN', 'Only an owner of the shop gives keys.');
    return user;
  };
  return {
    id: 'shop',
    endpoints: {
      firstOwner: createAuthEndpoint('/first-owner', { method: 'POST' }, async (ctx) => {
        const { name = '', email, password } = wishOf(ctx.body);
        const made = await inWords(() =>
          makeKey(
            db,
            { name, role: 'owner', ...(email !== undefined && { email }), ...(password !== undefined && { password }) },
            { first: true },
          ),
        );
        await note(ctx, { what: 'first-owner', who: made.name });
        await begin(ctx, made.id);
        await makeThisABench(ctx, made.id);
        return ctx.json({ name: made.name, role: made.role });
      }),
      /** Another pair of hands takes over at a bench of the shop: a name and a number. */
      hands: createAuthEndpoint('/hands', { method: 'POST' }, async (ctx) => {
        const fields = fieldsOf(ctx.body);
        const [id, pin] = [textOf(fields['key']), textOf(fields['pin'])];
        const key = await liveKey(ctx, id);
        const demo = key !== null && isDemoKey(key.email);
        if (demo && beyond)
          throw refuse(
            'FORBIDDEN',
            'Keys of the demo open nothing on a server that others can reach. Make keys of your own.',
          );
        // A number of four digits is only as good as the door it hangs on.
        if (!demo && !(await isBench(db, ctx.getCookie(benchCookie) ?? '')))
          throw refuse(
            'FORBIDDEN',
            'This browser is no bench of the shop yet. Sign in with a password here once, and make it one.',
          );
        const answer = await checkPin(db, id, pin);
        if (answer === 'locked')
          throw refuse(
            'TOO_MANY_REQUESTS',
            'Too many wrong numbers. Wait a quarter of an hour, or sign in with a password.',
          );
        if (answer === 'wrong' || !key) {
          await note(ctx, { what: 'refused', who: key?.name ?? 'nobody known', about: `PIN of ${id}` });
          throw refuse('UNAUTHORIZED', 'That is not the number.');
        }
        const before = await getSessionFromCtx(ctx);
        await begin(ctx, id);
        if (before) await ctx.context.internalAdapter.deleteSession(before.session.token);
        await note(ctx, {
          what: before ? 'changed-hands' : 'signed-in',
          who: key.name,
          about: before?.user.name ?? '',
        });
        return ctx.json({ name: key.name, role: key.role });
      }),
      bench: createAuthEndpoint('/bench', { method: 'POST' }, async (ctx) => {
        const user = await signedIn(ctx);
        if (user.role === 'apprentice')
          throw refuse('FORBIDDEN', 'An owner, a technician or the desk makes a browser a bench.');
        await makeThisABench(ctx, user.id);
        await note(ctx, { what: 'bench-made', who: user.name });
        return ctx.json({ bench: true });
      }),
      /** Whoever is here chooses another number or password for themselves, and shows first that it is them. */
      own: createAuthEndpoint('/own', { method: 'POST' }, async (ctx) => {
        const user = await signedIn(ctx);
        if (isDemoKey(user.email))
          throw refuse(
            'FORBIDDEN',
            'Keys of the demo stay as they are: everybody may read them. Make one of your own.',
          );
        const current = textOf(fieldsOf(ctx.body)['current']);
        const isNumber = /^\d{4,8}$/.test(current);
        const { password, pin } = wishOf(ctx.body);
        if (password === undefined && pin === undefined)
          throw refuse('BAD_REQUEST', 'Write the new number or the new password.');
        const accounts = await ctx.context.internalAdapter.findAccounts(user.id);
        const hash = accounts.find((account) => account.password)?.password;
        const knows =
          (hash && (await ctx.context.password.verify({ hash, password: current }))) ||
          (isNumber && (await checkPin(db, user.id, current)) === 'right');
        // A number alone must not make a password: it was looked at over somebody’s shoulder.
        const enough = knows && (password === undefined || !hash || !isNumber);
        if (!enough) {
          await note(ctx, { what: 'refused', who: user.name, about: isNumber ? `PIN of ${user.id}` : 'own key' });
          throw refuse(
            'UNAUTHORIZED',
            password !== undefined && hash ? 'That is not your password.' : 'That is not your number or password.',
          );
        }
        await inWords(() =>
          changeKey(db, user.id, { ...(password !== undefined && { password }), ...(pin !== undefined && { pin }) }),
        );
        // Every other browser is signed out; this one goes on.
        await begin(ctx, user.id);
        await note(ctx, { what: 'key-changed', who: user.name, about: 'their own' });
        return ctx.json({ name: user.name });
      }),
      listKeys: createAuthEndpoint('/keys', { method: 'GET' }, async (ctx) => {
        await owner(ctx);
        return ctx.json({ keys: await listKeys(db) });
      }),
      writeKey: createAuthEndpoint('/keys', { method: 'POST' }, async (ctx) => {
        const by = await owner(ctx);
        const id = textOf(fieldsOf(ctx.body)['id']);
        const wish = wishOf(ctx.body);
        const { name = '', role = 'apprentice' } = wish;
        const key = await inWords(() => (id === '' ? makeKey(db, { ...wish, name, role }) : changeKey(db, id, wish)));
        const what = id === '' ? 'key-made' : wish.ended === true ? 'key-ended' : 'key-changed';
        await note(ctx, { what, who: by.name, about: `${key.name}, ${key.role}` });
        return ctx.json({ key });
      }),
      readAudit: createAuthEndpoint('/audit', { method: 'GET' }, async (ctx) => {
        await owner(ctx);
        return ctx.json({ lines: await readAudit(db, 200) });
      }),
      /** Who may take over here: at a bench of the shop everybody with a number, in a demo with the numbers themselves. */
      people: createAuthEndpoint('/people', { method: 'GET' }, async (ctx) => {
        const found = await getSessionFromCtx(ctx);
        const [keys, bench] = await Promise.all([keysWithMail(db), isBench(db, ctx.getCookie(benchCookie) ?? '')]);
        const live = keys.filter(({ ended, hasPin }) => hasPin && !ended);
        const people = live.flatMap(({ id, name, role, mail }) => {
          const demo = isDemoKey(mail);
          if (demo ? beyond : !bench) return [];
          const pin = demo ? demoPeople.find((each) => each.name === name)?.pin : undefined;
          return [{ id, name, role, ...(pin !== undefined && { pin }) }];
        });
        return ctx.json({ people, bench, first: keys.length === 0, signedIn: found?.user.name ?? null });
      }),
    },
  };
};

/**
 * The library that keeps accounts, as this shop uses it: passwords and sessions are its own, in the shop’s database.
 *
 * @param db as the web process comes in
 */
export function authOf(db: Database, options: AuthOptions) {
  const { secret, beyond } = options;
  return betterAuth({
    appName: 'Holotonos',
    basePath: '/api/auth',
    secret,
    telemetry: { enabled: false },
    // What goes wrong is answered in words; what it warns of here, the door has settled.
    logger: { level: 'error' },
    database: drizzleAdapter(db, {
      provider: 'pg',
      schema: {
        user: users,
        session: sessions,
        account: credentials,
        verification: verifications,
        rateLimit: rateLimits,
      },
    }),
    // The door has seen already that whoever writes comes from this very server.
    trustedOrigins: (request) => [request?.headers.get('origin') ?? ''].filter(Boolean),
    emailAndPassword: {
      enabled: true,
      disableSignUp: true,
      minPasswordLength: passwordLength.least,
      maxPasswordLength: passwordLength.most,
    },
    user: {
      additionalFields: {
        role: { type: 'string', required: false, input: false },
        person: { type: 'string', required: false, input: false },
        pinHash: { type: 'string', required: false, input: false, returned: false },
        ended: { type: 'boolean', required: false, input: false },
      },
    },
    session: { expiresIn: sessionSeconds, updateAge: 60 * 60 * 12 },
    rateLimit: {
      enabled: true,
      storage: 'database',
      window: 60,
      max: 120,
      customRules: {
        '/sign-in/email': { window: 60, max: 8 },
        '/first-owner': { window: 60, max: 5 },
        '/hands': { window: 60, max: 30 },
        '/own': { window: 60, max: 8 },
      },
    },
    advanced: {
      cookiePrefix: 'holotonos',
      useSecureCookies: beyond,
      ipAddress: { ipAddressHeaders: [addressHeader] },
    },
    hooks: {
      before: createAuthMiddleware(async (ctx) => {
        if (ctx.path !== '/sign-in/email') return;
        const email = textOf(fieldsOf(ctx.body)['email']).toLowerCase();
        if (beyond && isDemoKey(email)) throw refuse('FORBIDDEN', 'Keys of the demo open nothing here.');
      }),
      after: createAuthMiddleware(async (ctx) => {
        if (ctx.path !== '/sign-in/email') return;
        const session = ctx.context.newSession;
        const who = session?.user.name ?? textOf(fieldsOf(ctx.body)['email']);
        await noteIn(db)(ctx, { what: session ? 'signed-in' : 'refused', who, about: session ? '' : 'password' });
        // A key that was taken back opens nothing, though its password is right.
        if (session?.user['ended'] === true) {
          await ctx.context.internalAdapter.deleteSession(session.session.token);
          throw refuse('UNAUTHORIZED', 'This key was taken back.');
        }
      }),
    },
    plugins: [ofTheShop(db, options)],
  });
}
export type Auth = ReturnType<typeof authOf>;

/** Whoever a cookie belongs to; null for nobody, for a key that was taken back, and for a demo’s key beyond this machine. */
export async function askerOf(auth: Auth, cookie: string | undefined, beyond: boolean): Promise<Asker | null> {
  if (!cookie?.includes('holotonos.session_token')) return null;
  const found = await auth.api.getSession({ headers: new Headers({ cookie }) });
  if (!found) return null;
  const { id, name, role, ended, email } = found.user as typeof found.user & KnownUser;
  return ended || (beyond && isDemoKey(email)) ? null : { id, name, role };
}

/** How the shop is kept, by whether anybody has a key, and whether others than this machine can reach it. */
export async function keepingOf(db: Database, beyond: boolean): Promise<Keeping> {
  if (!(await hasKeys(db))) return beyond ? 'shut' : 'open';
  return !beyond && (await hasDemoKeys(db)) ? 'shown' : 'shut';
}

export { toNodeHandler };
