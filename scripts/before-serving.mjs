// Runs in the server's process before anything else of it: what no page or handler gets to see is answered here.
import { Server } from "node:http";

/** What the web's own requests know no such method (WHATWG Fetch, "forbidden method"): they could not be read. */
const FORBIDDEN = /^(TRACE|TRACK|CONNECT)$/i;

const { emit } = Server.prototype;
Server.prototype.emit = function (event, ...rest) {
  const [request, answer] = rest;
  if (event !== "request" || !FORBIDDEN.test(request.method)) return emit.call(this, event, ...rest);
  answer.writeHead(405, { allow: "GET, HEAD, POST, PUT, DELETE, OPTIONS", "content-length": 0 }).end();
  return true;
};
