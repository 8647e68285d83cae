import { randomBytes } from "node:crypto";
import {
  createCookie,
  createContext,
  data,
  redirect,
  type RouterContextProvider,
} from "react-router";
import { type Id, type IdOf, isId } from "~/core/kernel/index.ts";
import { requestOf, type RequestContext } from "../context.server.ts";
import { deviceName } from "./device-name.server.ts";
import {
  closeSignIn,
  findSignIn,
  openSignIn,
  rememberDevice,
  SIGN_IN_DAYS,
  type SignedIn,
} from "../db/accounts.server.ts";
import { isLocked, isUnreachable } from "../db/connection.server.ts";
import { scopeFor, type Scope } from "../db/scope.server.ts";

const signedInContext = createContext<SignedIn | null>(null);

function cookieFor(request: RequestContext) {
  return cookieNamed("kravo", request, SIGN_IN_DAYS);
}

function deviceCookieFor(request: RequestContext) {
  return cookieNamed("kravo-device", request, 365);
}

/** Behind TLS the name binds a cookie to this host and path, so that no neighbour can set it. */
function cookieNamed(name: string, { environment }: RequestContext, days: number) {
  const isSecure = environment.PUBLIC_ORIGIN.startsWith("https:");
  return createCookie(isSecure ? `__Host-${name}` : name, {
    httpOnly: true,
    sameSite: "strict",
    path: "/",
    secure: isSecure,
    maxAge: days * 86_400,
  });
}

/** The secret of this request's sign-in. */
export async function tokenOf(context: RequestContext, request: Request): Promise<string | null> {
  const value: unknown = await cookieFor(context).parse(request.headers.get("cookie"));
  return typeof value === "string" ? value : null;
}

/** Runs what needs the database and turns its absence, or a lock that is held too long, into a 503. */
export async function reachingDatabase<T>(work: () => Promise<T>): Promise<T> {
  try {
    return await work();
  } catch (error) {
    if (isUnreachable(error)) throw data({ code: "databaseUnreachable" }, { status: 503 });
    if (isLocked(error)) throw data({ code: "databaseBusy" }, { status: 503 });
    throw error;
  }
}

/** Middleware of every page behind the sign-in: finds who it is, or leads to the sign-in page. */
export async function requireSignIn(
  { request, context }: { request: Request; context: Readonly<RouterContextProvider> },
  next: () => Promise<Response>,
): Promise<Response> {
  const found = await signedInOrNull(request, context);
  if (found === null) {
    const back = new URL(request.url);
    const to =
      request.method === "GET" ? `?to=${encodeURIComponent(back.pathname + back.search)}` : "";
    throw redirect(`/sign-in${to}`);
  }
  (context as RouterContextProvider).set(signedInContext, found);
  return next();
}

/** Who is signed in, or null. */
export async function signedInOrNull(
  request: Request,
  context: Readonly<RouterContextProvider>,
): Promise<SignedIn | null> {
  const own = requestOf(context);
  const token = await tokenOf(own, request);
  return token === null ? null : reachingDatabase(() => findSignIn(own.db, token, own.now));
}

/** The signed-in user behind {@link requireSignIn}. */
export function signedInOf(context: Readonly<RouterContextProvider>): SignedIn {
  const found = context.get(signedInContext);
  if (found === null) throw new Error("route is not behind requireSignIn");
  return found;
}

/** The signed-in user where they own the studio; 403 for its other coaches. */
export function ownerOf(context: Readonly<RouterContextProvider>): SignedIn {
  const found = signedInOf(context);
  if (found.role !== "owner") throw data({ code: "ownerOnly" }, { status: 403 });
  return found;
}

/** The scope of the signed-in user's studio. */
export function scopeOf(context: Readonly<RouterContextProvider>): Scope {
  return scopeOfUser(requestOf(context), signedInOf(context));
}

/** The scope of whoever is signed in, or null, for addresses that answer scripts instead of leading to a page. */
export async function scopeIfSignedIn(
  request: Request,
  context: Readonly<RouterContextProvider>,
): Promise<Scope | null> {
  const who = await signedInOrNull(request, context);
  return who && scopeOfUser(requestOf(context), who);
}

function scopeOfUser({ db, now }: RequestContext, { studioId, userId }: SignedIn): Scope {
  return scopeFor(db, { studioId, actor: { kind: "user", id: userId }, now });
}

/** Opens a sign-in, remembers the device, and answers with the cookies of both. */
export async function signInAs(
  context: Readonly<RouterContextProvider>,
  request: Request,
  who: { userId: Id<"user">; studioId: Id<"studio"> },
  to: string,
): Promise<Response> {
  const own = requestOf(context);
  const agent = deviceName(request.headers.get("user-agent"));
  const token = await openSignIn(own.db, who, agent, own.now);
  const device = (await deviceOf(context, request)) ?? randomBytes(32).toString("base64url");
  await rememberDevice(own.db, who.userId, device, own.now);
  const headers = new Headers();
  headers.append("set-cookie", await cookieFor(own).serialize(token));
  headers.append("set-cookie", await deviceCookieFor(own).serialize(device));
  return redirect(to, { headers });
}

/** The secret of a device on which somebody signed in before, or null. It opens nothing by itself. */
export async function deviceOf(
  context: Readonly<RouterContextProvider>,
  request: Request,
): Promise<string | null> {
  const value: unknown = await deviceCookieFor(requestOf(context)).parse(
    request.headers.get("cookie"),
  );
  return typeof value === "string" && value.length <= 64 ? value : null;
}

/** Ends the sign-in of this request and clears its cookie. */
export async function signOut(
  context: Readonly<RouterContextProvider>,
  request: Request,
): Promise<Response> {
  const own = requestOf(context);
  const token = await tokenOf(own, request);
  if (token !== null) await reachingDatabase(() => closeSignIn(own.db, token));
  return redirect("/sign-in", {
    headers: { "set-cookie": await cookieFor(own).serialize("", { maxAge: 0 }) },
  });
}

/** An id from the address, or a 404: an id that is none names nothing. */
export function idParam<K extends IdOf>(text: string | undefined): Id<K> {
  if (text === undefined || !isId<K>(text)) throw notFound();
  return text;
}

/** The 404 for what is not there, or not this studio's. */
export function notFound(): unknown {
  return data(null, { status: 404 });
}

/** The value, or a 404 when there is none. */
export function orNotFound<T>(value: T | null): T {
  if (value === null) throw notFound();
  return value;
}
