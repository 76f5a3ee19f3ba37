import { createHash } from "node:crypto";
import { eq } from "drizzle-orm";
import { z } from "zod";
import { type Cable, check, type Procedure, type Tool, zCable, zProcedure, zTool } from "@/core";
import type { Store } from "./database";
import { documents } from "./schema";

type Kind = (typeof documents.$inferSelect)["kind"];

/** Keeps a document's text, once. @returns its hash (SHA-256 of the text, hexadecimal). */
export function keepDocument(store: Store, kind: Kind, body: string): string {
  const hash = createHash("sha256").update(body).digest("hex");
  store.insert(documents).values({ hash, kind, body }).onConflictDoNothing().run();
  return hash;
}

/** A kept document's text. */
export function bodyOf(store: Store, hash: string): string {
  const found = store.select().from(documents).where(eq(documents.hash, hash)).get();
  if (!found) throw new Error(`document ${hash} is missing`);
  return found.body;
}

const body = (store: Store, hash: string): unknown => JSON.parse(bodyOf(store, hash));

export const keptProcedure = (store: Store, hash: string): Procedure => check(zProcedure, body(store, hash));
export const keptCable = (store: Store, hash: string): Cable => check(zCable, body(store, hash));
export const keptTools = (store: Store, hash: string): Tool[] => check(z.array(zTool), body(store, hash));
