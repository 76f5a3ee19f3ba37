// Runs in the server's process before anything else of it: what no page or handler gets to see is answered here.
import { Server } from "node:http";

/** Methods the web's own requests do not know (WHATWG Fetch, "forbidden method"): they could not be read. */
const FORBIDDEN = /^(TRACE|TRACK|CONNECT)$/i;

const { emit } = Server.prototype;

/**
 * Requests that came in and are not begun yet. One is begun in each turn of the event loop: in each turn one new
 * connection is taken too, so somebody who comes waits for as many requests as there are people, and not for all of them
 * again and again.
 */
const waiting = [];

function beginOne() {
  const next = waiting.shift();
  if (waiting.length > 0) setImmediate(beginOne);
  if (next) emit.call(...next);
}

Server.prototype.emit = function (event, ...rest) {
  if (event !== "request") return emit.call(this, event, ...rest);
  const [request, answer] = rest;
  if (FORBIDDEN.test(request.method)) {
    answer.writeHead(405, { allow: "GET, HEAD, POST, PUT, DELETE, OPTIONS", "content-length": 0 }).end();
    return true;
  }
  waiting.push([this, event, ...rest]);
  if (waiting.length === 1) setImmediate(beginOne);
  return true;
};
