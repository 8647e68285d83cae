import { PassThrough, Writable } from "node:stream";
import { CacheProvider } from "@emotion/react";
import createEmotionServer from "@emotion/server/create-instance";
import { renderToPipeableStream } from "react-dom/server";
import { ServerRouter, type EntryContext, type RouterContextProvider } from "react-router";
import { requestOf } from "~/server/context.server.ts";
import { createStyleCache } from "./theme/style-cache.ts";

const TIMEOUT_MS = 10_000;

/** Renders the whole page before answering, so that its styles can stand in its head. */
export default async function handleRequest(
  request: Request,
  status: number,
  headers: Headers,
  router: EntryContext,
  context: RouterContextProvider,
): Promise<Response> {
  const { nonce } = requestOf(context);
  const cache = createStyleCache(nonce);
  const emotion = createEmotionServer(cache);
  const html = await render(
    <CacheProvider value={cache}>
      <ServerRouter context={router} url={request.url} nonce={nonce} />
    </CacheProvider>,
    nonce,
  );
  const styles = emotion.constructStyleTagsFromChunks(emotion.extractCriticalToChunks(html));
  headers.set("content-type", "text/html; charset=utf-8");
  // React begins the document with its doctype.
  const page = html.replace("</head>", () => `${styles}</head>`);
  return new Response(page, { status, headers });
}

async function render(element: React.ReactNode, nonce: string): Promise<string> {
  let timer: NodeJS.Timeout | undefined;
  const html = new Promise<string>((resolve, reject) => {
    const { pipe, abort } = renderToPipeableStream(element, {
      nonce,
      onAllReady: () => {
        const body = new PassThrough();
        const chunks: Buffer[] = [];
        body.pipe(
          new Writable({
            write: (chunk: Buffer, _encoding, done) => {
              chunks.push(chunk);
              done();
            },
            final: (done) => {
              resolve(Buffer.concat(chunks).toString("utf8"));
              done();
            },
          }),
        );
        pipe(body);
      },
      onShellError: reject,
      onError: reject,
    });
    timer = setTimeout(() => abort(new Error("rendering took too long")), TIMEOUT_MS);
  });
  // Cleared at once: a waiting timer keeps its whole page, of a thousand requests hundreds of megabytes.
  return html.finally(() => clearTimeout(timer));
}

/** Logs what a loader, action or rendering threw, with the request's id and without its data. */
export function handleError(
  error: unknown,
  { request, context }: { request: Request; context: Readonly<RouterContextProvider> },
): void {
  if (request.signal.aborted) return;
  requestOf(context).log.error({ err: error, path: new URL(request.url).pathname });
}
