import { createServer } from "node:http";

const text = (value: string): string => value.replaceAll("&", "&amp;").replaceAll("<", "&lt;");

/**
 * As much of S3's protocol as a copier asks for, in memory: objects put, got, listed below a prefix and taken away
 * (Amazon S3 API Reference, from memory). Whoever shows no such key is refused; the signature itself is not checked.
 */
export async function s3Storage(bucket: string, accessKey: string) {
  const objects = new Map<string, Buffer>();
  const listed = (query: URLSearchParams): string => {
    const [prefix, delimiter] = [query.get("prefix") ?? "", query.get("delimiter") ?? ""];
    const below = [...objects.keys()].filter((key) => key.startsWith(prefix)).sort();
    const folderOf = (key: string): string | null => {
      const end = delimiter ? key.indexOf(delimiter, prefix.length) : -1;
      return end < 0 ? null : key.slice(0, end + 1);
    };
    const folders = new Set(below.flatMap((key) => folderOf(key) ?? []));
    const files = below.filter((key) => folderOf(key) === null);
    return `<?xml version="1.0"?><ListBucketResult><Name>${bucket}</Name><Prefix>${text(prefix)}</Prefix><IsTruncated>false</IsTruncated>${files
      .map(
        (key) =>
          `<Contents><Key>${text(key)}</Key><LastModified>2026-11-26T08:00:00.000Z</LastModified><Size>${objects.get(key)?.length}</Size></Contents>`,
      )
      .join(
        "",
      )}${[...folders].map((folder) => `<CommonPrefixes><Prefix>${text(folder)}</Prefix></CommonPrefixes>`).join("")}</ListBucketResult>`;
  };
  const server = createServer((request, answer) => {
    const url = new URL(request.url ?? "/", "http://s3");
    const [, requested, ...rest] = url.pathname.split("/");
    const key = decodeURIComponent(rest.join("/"));
    const body: Buffer[] = [];
    request.on("data", (chunk: Buffer) => body.push(chunk));
    request.on("end", () => {
      if (!request.headers.authorization?.includes(accessKey) || requested !== bucket) {
        answer.writeHead(403).end("<Error><Code>AccessDenied</Code></Error>");
      } else if (request.method === "PUT") {
        objects.set(key, Buffer.concat(body));
        answer.writeHead(200, { etag: '"0"' }).end();
      } else if (request.method === "POST" && url.searchParams.has("delete")) {
        for (const [, gone = ""] of Buffer.concat(body)
          .toString()
          .matchAll(/<Key>([^<]*)<\/Key>/g))
          objects.delete(gone);
        answer.end("<DeleteResult></DeleteResult>");
      } else if (key === "") answer.end(listed(url.searchParams));
      else {
        const object = objects.get(key);
        if (object) answer.writeHead(200, { "content-length": object.length }).end(object);
        else answer.writeHead(404).end("<Error><Code>NoSuchKey</Code></Error>");
      }
    });
  });
  const port = await new Promise<number>((ready) =>
    server.listen(0, "127.0.0.1", () => {
      const address = server.address();
      ready(typeof address === "object" && address ? address.port : 0);
    }),
  );
  return {
    endpoint: `http://127.0.0.1:${port}`,
    objects,
    close: () => new Promise<void>((done) => server.close(() => done())),
  };
}
