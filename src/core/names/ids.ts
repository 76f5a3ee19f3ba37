/**
 * An id of one kind of thing. Plain text is taken as any of them, so an address or a request needs no cast; an id of one
 * kind is refused where another is wanted. Types only: nothing of it is there when the program runs.
 */
type IdOf<Kind extends string> = string & { readonly length: number; readonly idOf?: Kind };

/** The id of an end, a UUID. */
export type EndId = IdOf<"end">;

/** The id of a piece of cable, a UUID. */
export type PieceId = IdOf<"piece">;

/** The id of a job, a UUID. */
export type JobId = IdOf<"job">;

/** The id of a closure, a UUID. */
export type ClosureId = IdOf<"closure">;

/** The id of a feeder, a UUID. */
export type FeederId = IdOf<"feeder">;
