import { randomUUID } from "node:crypto";
import { mkdtempSync, readFileSync, statSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { API, type ApiKey, ROLES, type Role, type RouteSpec } from "@/core";
import { CAM } from "@/service/fixtures/made-ends";
import { openStore, theStore } from "@/service/the-store";
import { dispatch } from "./dispatch";

const file = join(mkdtempSync(join(tmpdir(), "arlent-names-")), "hall.db");

/** A browser: it keeps the cookies it is given, and shows them again. */
class Device {
  private readonly cookies = new Map<string, string>();
  /** The token a program on it shows. */
  token: string | null = null;

  async ask(key: ApiKey, sent?: object, params: Readonly<Record<string, string>> = {}) {
    const [method = "", address = ""] = key.split(" ");
    const path = address.replaceAll(/\{(\w+)\}/g, (_, name: string) => params[name] ?? randomUUID());
    const headers = new Headers({ host: "hall.local:3000", "content-type": "application/json" });
    headers.set("cookie", [...this.cookies].map(([name, value]) => `${name}=${value}`).join("; "));
    if (this.token) headers.set("authorization", `Bearer ${this.token}`);
    const answer = await dispatch(
      new Request(`http://hall.local:3000/api/v1${path}`, {
        method: method.toUpperCase(),
        headers,
        ...(method === "post" ? { body: JSON.stringify(sent ?? {}) } : {}),
      }),
      path.slice(1).split("/"),
    );
    for (const cookie of answer.headers.getSetCookie()) {
      const [, name = "", value = ""] = /^([^=]+)=([^;]*)/.exec(cookie) ?? [];
      if (value === "") this.cookies.delete(name);
      else this.cookies.set(name, value);
    }
    const body = answer.headers.get("content-type")?.includes("json")
      ? await answer.json()
      : await answer.body?.cancel();
    return { status: answer.status, body, code: body?.error?.code ?? null };
  }

  /** The same cookies on another device. */
  copied(): Device {
    const other = new Device();
    for (const [name, value] of this.cookies) if (name === "arlent-person") other.cookies.set(name, value);
    return other;
  }
}

const [OSLA, WYN, ILKA, DRU] = [randomUUID(), randomUUID(), randomUUID(), randomUUID()];
const NAMES = new Map([
  [OSLA, "Osla Brandt"],
  [WYN, "Wyn Harrow"],
  [ILKA, "Ilka Voss"],
  [DRU, "Dru Penhale"],
]);
const PIN = "pads-on-the-moor";
const PINS = new Map<string, string>([...NAMES.keys()].map((id) => [id, `${PIN}-${id.slice(0, 4)}`]));
const pinOf = (person: string): string => PINS.get(person) ?? "";

/** A device on which a person has signed in. */
async function signedIn(person: string): Promise<Device> {
  const device = new Device();
  expect((await device.ask("post /session", { person, pin: pinOf(person) })).status).toBe(200);
  return device;
}

const roles = (person: string, given: readonly Role[]) => ({
  change: { kind: "roles", person, roles: given },
});

/** Begins an end. @returns its id. */
async function begun(device: Device): Promise<string> {
  const answer = await device.ask("post /ends", CAM);
  expect(answer.status).toBe(201);
  return answer.body.id;
}

const signOff = (name: string, more: object = {}) => ({
  client: "window",
  after: 9_999,
  events: [{ id: randomUUID(), event: { kind: "sign", name, outcome: "cut-off", ...more } }],
});

const second = (name: string, means = "checked", more: object = {}) => ({
  client: "window",
  after: 9_999,
  events: [{ id: randomUUID(), event: { kind: "countersign", name, means, ...more } }],
});

let osla = new Device();

beforeAll(async () => {
  globalThis.arlentStore = openStore(file);
  const device = new Device();
  for (const [id, name] of NAMES) await device.ask("post /people", { id, name });
});

afterAll(() => {
  globalThis.arlentStore = undefined;
});

describe("where names are free", () => {
  it("anybody does everything, under any name, and nobody is asked", async () => {
    const device = new Device();
    const end = await begun(device);
    expect((await device.ask("post /ends/{id}/events", signOff("Somebody New"), { id: end })).status).toBe(
      200,
    );
    expect((await device.ask("get /crew")).body).toMatchObject({
      names: "free",
      you: { person: null, roles: [] },
    });
  });
  it("a PIN is set by its owner, and changed by whoever knows it", async () => {
    const device = new Device();
    for (const person of NAMES.keys())
      expect((await device.ask("post /crew/pins", { person, pin: pinOf(person) })).status).toBe(200);
    expect((await device.ask("post /crew/pins", { person: OSLA, pin: "another-pin" })).code).toBe(
      "wrong-key",
    );
    expect((await device.ask("post /crew/pins", { person: WYN, pin: "12345" })).code).toBe("bad-input");
    for (const weak of ["123456", "000000", "987654"])
      expect(
        (await new Device().ask("post /crew/pins", { person: WYN, pin: weak, old: pinOf(WYN) })).code,
      ).toBe("bad-input");
  });
  it("keeps no PIN anywhere in the record, and its secret beside it for this machine alone", () => {
    const store = theStore();
    const rows = store.$client.prepare<[], string>("SELECT body FROM crew_events").pluck().all().join("\n");
    expect(rows).toContain("$argon2id$");
    for (const pin of PINS.values()) expect(rows).not.toContain(pin);
    const secret = `${file}.secret`;
    expect([readFileSync(secret).length, statSync(secret).mode & 0o777]).toEqual([32, 0o600]);
  });
});

describe("where names must be known", () => {
  it("whoever works is one of the crew, and signs by a name the crew has", async () => {
    const device = new Device();
    expect(
      (await device.ask("post /crew", { change: { kind: "names", rule: "known" }, by: OSLA })).status,
    ).toBe(200);
    expect((await device.ask("post /ends", CAM)).code).toBe("unknown-person");
    const end = (await device.ask("post /ends", { ...CAM, by: WYN })).body.id;
    const sign = (name: string) =>
      device.ask("post /ends/{id}/events", { ...signOff(name), by: WYN }, { id: end });
    expect((await sign("A Stranger")).code).toBe("unknown-person");
    expect((await sign("Wyn Harrow")).status).toBe(200);
  });
});

describe("asking for proof of names", () => {
  it("needs a keeper who can prove theirs", async () => {
    const device = new Device();
    const stranger = randomUUID();
    await device.ask("post /people", { id: stranger, name: "Nan Sorrel", by: OSLA });
    const ask = (by: string) => device.ask("post /crew", { change: { kind: "names", rule: "proven" }, by });
    expect((await ask(stranger)).code).toBe("no-keeper");
    expect((await device.ask("get /crew")).body.names).toBe("known");
    expect((await ask(OSLA)).body).toMatchObject({ names: "proven" });
  });
  it("lets whoever asked first give out the roles", async () => {
    osla = await signedIn(OSLA);
    for (const [person, given] of [
      [WYN, ["technician"]],
      [ILKA, ["inspector"]],
      [DRU, ["lead"]],
    ] as const)
      expect((await osla.ask("post /crew", roles(person, given))).status).toBe(200);
    expect((await osla.ask("get /crew")).body.you).toMatchObject({
      person: OSLA,
      how: "pin",
      roles: [...ROLES],
    });
  });
  it("never leaves the crew without a keeper", async () => {
    expect((await osla.ask("post /crew", roles(OSLA, ["technician"]))).code).toBe("no-keeper");
  });
});

describe("where names are proven", () => {
  it("nobody acts who has not signed in, nor as somebody else", async () => {
    expect((await new Device().ask("post /ends", CAM)).code).toBe("signed-out");
    expect((await new Device().ask("post /ends", { ...CAM, by: WYN })).code).toBe("signed-out");
    const wyn = await signedIn(WYN);
    expect((await wyn.ask("post /ends", { ...CAM, by: DRU })).code).toBe("wrong-person");
    expect((await wyn.ask("post /ends", { ...CAM, by: WYN })).status).toBe(201);
  });
  it("a session holds on its own device alone, unchanged, and until the PIN is another", async () => {
    const wyn = await signedIn(WYN);
    expect((await wyn.copied().ask("post /ends", CAM)).code).toBe("signed-out");
    const next = `${pinOf(WYN)}-b`;
    const other = await signedIn(WYN);
    expect((await other.ask("post /crew/pins", { person: WYN, pin: next, old: pinOf(WYN) })).status).toBe(
      200,
    );
    PINS.set(WYN, next);
    expect((await wyn.ask("post /ends", CAM)).code).toBe("signed-out");
    expect((await other.ask("post /ends", CAM)).status).toBe(201);
    expect((await other.ask("post /session/end", { person: WYN })).body.you.person).toBeNull();
    expect((await other.ask("post /ends", CAM)).code).toBe("signed-out");
  });
  it("signing asks again each time, by the name of whoever signed in, and the server adds the proof", async () => {
    const wyn = await signedIn(WYN);
    const end = await begun(wyn);
    const at = { id: end };
    expect((await wyn.ask("post /ends/{id}/events", signOff("Wyn Harrow"), at)).code).toBe("not-proven");
    expect((await wyn.ask("post /session/again", { pin: "not this one" })).code).toBe("wrong-key");
    expect((await wyn.ask("post /session/again", { pin: pinOf(WYN) })).status).toBe(200);
    expect((await wyn.ask("post /ends/{id}/events", signOff("Dru Penhale"), at)).code).toBe("wrong-person");
    const proof = { how: "pin", device: "made up" };
    expect((await wyn.ask("post /ends/{id}/events", signOff("Wyn Harrow", { proof }), at)).code).toBe(
      "bad-input",
    );
    const event = signOff("Wyn Harrow");
    expect((await wyn.ask("post /ends/{id}/events", event, at)).status).toBe(200);
    const { body } = await wyn.ask("get /ends/{id}", undefined, at);
    expect(body.events.at(-1)).toMatchObject({ by: WYN, event: { proof: { how: "pin" } } });
    // The answer may be lost on its way: sent again, it is answered again.
    expect((await wyn.ask("post /ends/{id}/events", event, at)).status).toBe(200);
    const next = await begun(wyn);
    expect((await wyn.ask("post /ends/{id}/events", signOff("Wyn Harrow"), { id: next })).code).toBe(
      "not-proven",
    );
  });
  it("a second signature is an inspector's or a lead's, not of whoever signed first, and with reasons where accepted", async () => {
    const wyn = await signedIn(WYN);
    const ilka = await signedIn(ILKA);
    const end = await begun(wyn);
    const sign = async (device: Device, person: string, body: object) => {
      await device.ask("post /session/again", { pin: pinOf(person) });
      return device.ask("post /ends/{id}/events", body, { id: end });
    };
    expect((await sign(ilka, ILKA, second("Ilka Voss"))).code).toBe("gate");
    expect((await sign(wyn, WYN, signOff("Wyn Harrow"))).status).toBe(200);
    expect((await sign(wyn, WYN, second("Wyn Harrow"))).code).toBe("not-allowed");
    expect(
      (await (await signedIn(ILKA)).ask("post /ends/{id}/events", second("Ilka Voss"), { id: end })).code,
    ).toBe("not-proven");
    expect((await sign(ilka, ILKA, second("Ilka Voss", "accepted"))).code).toBe("empty");
    expect(
      (await sign(ilka, ILKA, second("Ilka Voss", "accepted", { reasons: "short but in use" }))).status,
    ).toBe(200);
    expect((await sign(ilka, ILKA, second("Ilka Voss"))).code).toBe("wrong-person");
    const record = (await ilka.ask("get /ends/{id}/record", undefined, { id: end })).body;
    expect(record.signed).toMatchObject({ name: "Wyn Harrow", means: "made", proof: { how: "pin" } });
    expect(record.countersigned).toMatchObject([
      {
        name: "Ilka Voss",
        person: ILKA,
        means: "accepted",
        reasons: "short but in use",
        proof: { how: "pin" },
      },
    ]);
  });
  it("an inspector adds to an end what inspecting gives, and no reading", async () => {
    const ilka = await signedIn(ILKA);
    const end = await begun(await signedIn(WYN));
    const label = { kind: "label", job: "", label: "Pad 4" };
    const body = { client: "window", after: 0, events: [{ id: randomUUID(), event: label }] };
    expect((await ilka.ask("post /ends/{id}/events", body, { id: end })).code).toBe("not-allowed");
  });
});

describe("a PIN a keeper set", () => {
  it("is good for setting one's own, and for nothing else", async () => {
    const dru = await signedIn(DRU);
    expect((await dru.ask("post /crew/pins", { person: WYN, pin: "for-wyn-today" })).code).toBe(
      "not-allowed",
    );
    expect((await osla.ask("post /crew/pins", { person: WYN, pin: "for-wyn-today" })).status).toBe(200);
    PINS.set(WYN, "for-wyn-today");
    const wyn = await signedIn(WYN);
    expect((await wyn.ask("post /ends", CAM)).code).toBe("not-proven");
    expect((await wyn.ask("post /session/again", { pin: "for-wyn-today" })).code).toBe("not-proven");
    expect(
      (await wyn.ask("post /crew/pins", { person: WYN, pin: "a-pin-of-my-own" })).body.you,
    ).toMatchObject({
      person: WYN,
      temporary: false,
    });
    PINS.set(WYN, "a-pin-of-my-own");
    expect((await wyn.ask("post /ends", CAM)).status).toBe(201);
  });
});

describe("a device", () => {
  it("is named, seen and revoked by itself: its session ends, others hold", async () => {
    const [lost, other] = [await signedIn(WYN), await signedIn(WYN)];
    const { device } = (await lost.ask("get /crew")).body.you;
    expect(
      (await osla.ask("post /crew", { change: { kind: "device", device, name: "Tablet 2" } })).status,
    ).toBe(200);
    const body = (await osla.ask("post /crew", { change: { kind: "device-revoked", device } })).body;
    expect(body.devices.find(({ id }: { id: string }) => id === device)).toMatchObject({
      name: "Tablet 2",
      person: WYN,
      revoked: true,
    });
    expect((await lost.ask("post /ends", CAM)).code).toBe("signed-out");
    expect((await other.ask("post /ends", CAM)).status).toBe(201);
  });
});

describe("a program", () => {
  it("acts by its token as whoever made it, within its roles; signs nothing; ends with it", async () => {
    const token = await osla.ask("post /crew/tokens", { name: "Planner", roles: ["technician"] });
    expect(token.status).toBe(201);
    const program = new Device();
    program.token = token.body.secret;
    const end = await begun(program);
    expect((await program.ask("post /jobs", { name: "Pad 9" })).code).toBe("not-allowed");
    expect((await program.ask("post /ends/{id}/events", signOff("Osla Brandt"), { id: end })).code).toBe(
      "not-proven",
    );
    const rows = theStore().$client.prepare("SELECT body FROM crew_events").pluck().all().join("\n");
    expect(rows).not.toContain(token.body.secret);
    const { body } = await osla.ask("get /crew/log");
    expect(body.events).toContainEqual(
      expect.objectContaining({
        by: OSLA,
        event: { kind: "acted", route: "post /ends", ref: end, how: null, token: token.body.id },
      }),
    );
    await osla.ask("post /crew", { change: { kind: "token-revoked", token: token.body.id } });
    expect((await program.ask("post /ends", CAM)).code).toBe("signed-out");
  });
});

describe("the log", () => {
  it("has who came in, who was refused, what was changed and exported; and no secret", async () => {
    await osla.ask("get /ledger");
    const { body } = await osla.ask("get /crew/log");
    const kinds = new Set(body.events.map(({ event }: { event: { kind: string } }) => event.kind));
    expect([...kinds].toSorted()).toEqual(
      expect.arrayContaining(["acted", "device", "device-revoked", "entered", "pin", "refused", "token"]),
    );
    expect(body.events[0]).toMatchObject({ by: OSLA, event: { kind: "acted", route: "get /ledger" } });
    expect(JSON.stringify(body)).not.toContain("argon2");
  });
});

/** Whether the table of routes lets a role use a route. */
const mayUse = ({ roles: needed, acts, open }: RouteSpec, role: Role): boolean =>
  open === true || (needed ?? (acts ? ["technician"] : ROLES)).includes(role);

describe.each(ROLES)("a %s", (role) => {
  it("is let do what the table of routes says, and refused all else", async () => {
    expect((await osla.ask("post /crew", roles(WYN, [role]))).status).toBe(200);
    const wyn = await signedIn(WYN);
    const wrong: string[] = [];
    // Those that end the session, or ask the whole record of the machine, are tried by themselves.
    const apart = ["post /session/end", "get /backup", "get /record-check"];
    for (const key of Object.keys(API) as ApiKey[]) {
      if (apart.includes(key)) continue;
      const { code } = await wyn.ask(key);
      if ((code === "not-allowed") === mayUse(API[key], role)) wrong.push(`${key}: ${code}`);
      if (["not-proven", "signed-out"].includes(code) && !("open" in API[key])) wrong.push(`${key}: ${code}`);
    }
    expect(wrong).toEqual([]);
    expect((await wyn.ask("get /backup")).code).toBe(role === "keeper" ? null : "not-allowed");
  }, 60_000);
});
