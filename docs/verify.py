#!/usr/bin/env python3
"""Verifies a proof that Arlent exported: python3 verify.py FILE.tar [KEY]

Needs nothing but Python 3.8 or later. Reads the archive and nothing else. Ends 0 where everything holds, 1 where something
does not, 2 where the file is no proof. KEY is the site's public key as its crew published it; without it the key in the
file is printed, to be compared with theirs.
"""

import base64
import hashlib
import json
import re
import sys
import tarfile


def sha256(data):
    return hashlib.sha256(data).hexdigest()


def canonical(value):
    """JSON with sorted keys and no blanks: what RFC 8785 gives for texts alone."""
    return json.dumps(value, sort_keys=True, separators=(",", ":"), ensure_ascii=False)


# Ed25519 (RFC 8032, 5.1): the verification of a signature, and no more.
P = 2**255 - 19
Q = 2**252 + 27742317777372353535851937790883648493
D = -121665 * pow(121666, P - 2, P) % P


def add(a, b):
    """Adds two points in extended coordinates (RFC 8032, 5.1.4)."""
    e = (a[1] - a[0]) * (b[1] - b[0]) % P
    f = (a[1] + a[0]) * (b[1] + b[0]) % P
    g, h = 2 * a[3] * b[3] * D % P, 2 * a[2] * b[2] % P
    e, f, g, h = f - e, h - g, h + g, f + e
    return (e * f % P, g * h % P, f * g % P, e * h % P)


def times(n, point):
    total = (0, 1, 1, 0)
    while n > 0:
        if n & 1:
            total = add(total, point)
        point, n = add(point, point), n >> 1
    return total


def x_of(y, sign):
    """The x of a point by its y (RFC 8032, 5.1.3); None where there is none."""
    if y >= P:
        return None
    square = (y * y - 1) * pow(D * y * y + 1, P - 2, P) % P
    x = pow(square, (P + 3) // 8, P)
    if (x * x - square) % P != 0:
        x = x * pow(2, (P - 1) // 4, P) % P
    if (x * x - square) % P != 0 or (x == 0 and sign):
        return None
    return P - x if x & 1 != sign else x


def point_of(data):
    y = int.from_bytes(data, "little")
    sign, y = y >> 255, y & ((1 << 255) - 1)
    x = x_of(y, sign)
    return None if x is None else (x, y, 1, x * y % P)


BASE_Y = 4 * pow(5, P - 2, P) % P
BASE = (x_of(BASE_Y, 0), BASE_Y, 1, x_of(BASE_Y, 0) * BASE_Y % P)


def is_signed(key, message, signature):
    if len(key) != 32 or len(signature) != 64:
        return False
    a, r = point_of(key), point_of(signature[:32])
    s = int.from_bytes(signature[32:], "little")
    if a is None or r is None or s >= Q:
        return False
    h = int.from_bytes(hashlib.sha512(signature[:32] + key + message).digest(), "little") % Q
    left, right = times(s, BASE), add(r, times(h, a))
    return (left[0] * right[2] - right[0] * left[2]) % P == 0 and (left[1] * right[2] - right[1] * left[2]) % P == 0


def root_by_path(leaf, place, size, path):
    """The root an inclusion proof leads to (RFC 9162, 2.1.3.2); None where it fits no tree of that size."""
    if not 0 <= place < size:
        return None
    last, value = size - 1, hashlib.sha256(b"\x00" + leaf.encode()).digest()
    for part in map(bytes.fromhex, path):
        if last == 0:
            return None
        if place & 1 or place == last:
            value = hashlib.sha256(b"\x01" + part + value).digest()
            while not place & 1 and place != 0:
                place, last = place >> 1, last >> 1
        else:
            value = hashlib.sha256(b"\x01" + value + part).digest()
        place, last = place >> 1, last >> 1
    return value.hex() if last == 0 else None


def event_hash(end, event):
    if event["v"] >= 2:
        return sha256(f'["{event["before"]}",{event["body"]}]'.encode())
    parts = [event["before"], end["id"], event["id"], event["seq"], event["at"], event["client"], event["body"]]
    return sha256(json.dumps(parts, separators=(",", ":"), ensure_ascii=False).encode())


def end_off(end, size, root, files):
    """What of an end does not hold."""
    lines = end["lines"]

    def has(kind, ref, digest=None):
        return any(x["kind"] == kind and x["ref"] == ref and digest in (None, x["digest"]) for x in lines)

    if end["founding"] is None:
        begun = sha256(json.dumps(end["founding1"], separators=(",", ":"), ensure_ascii=False).encode())
        named = end["founding1"][2:5]
    else:
        begun = sha256(f'["",{end["founding"]}]'.encode())
        said = json.loads(end["founding"])
        named = [said[kind] for kind in ("procedure", "cable", "tools", "sheet")]
    if not has("end", end["id"], None if end["founding"] is None else begun):
        yield "what it was started as is not what the register has"
    before = begun
    for i, event in enumerate(end["events"]):
        if event["before"] != before or event["hash"] != event_hash(end, event) or event["seq"] != i + 1:
            yield f"event {event['seq']} was changed or is out of its place"
        before = event["hash"]
    if end["events"] and not has("head", end["id"], before):
        yield "the register has another last event than this"
    batch = end["batch"]
    if batch is not None and not has("batch", batch["id"], sha256(canonical(batch).encode())):
        yield "its batch was changed"
    hashes = {event["hash"] for event in end["events"]}
    for line in lines:
        leaf = canonical({key: line[key] for key in ("digest", "kind", "ref")})
        if line["kind"] == "signed" and line["digest"] not in hashes:
            yield "a sign-off the register has is not here"
        if root_by_path(leaf, line["index"], size, line["path"]) != root:
            yield f"line {line['index'] + 1} of the register is not under the seal"
    for value in named:
        if value not in end["documents"]:
            yield "a document it was made by is left out"
    for value in end["documents"]:
        if f"documents/{value}.json" not in files or not has("document", value):
            yield f"document {value[:12]} is missing"
    shown = {value for event in end["events"] for value in re.findall(r'"sha256":"([0-9a-f]{64})"', event["body"])}
    for value in shown | set(end["photographs"]):
        if f"photos/{value}.jpg" not in files:
            yield f"photograph {value[:12]} is missing"


def verify(files, published):
    head = json.loads(files["proof.json"])
    line, key, signature = re.fullmatch(
        r"(arlent-seal 2 \S{1,40} \d{1,15} [0-9a-f]{64}) ([\w-]{43}) ([\w-]{86})", head["seal"]
    ).groups()
    _, _, at, size, root = line.split(" ")
    off = []
    if not is_signed(base64.urlsafe_b64decode(key + "="), line.encode(), base64.urlsafe_b64decode(signature + "==")):
        off.append("the seal is not signed by the key it names")
    if published is not None and key != published:
        off.append("the seal is signed by another key than the one published")
    for name, data in files.items():
        stated = re.fullmatch(r"(?:documents|photos)/([0-9a-f]{64})\.(?:json|jpg)", name)
        if stated and sha256(data) != stated[1]:
            off.append(f"{name} was changed")
    ends = [json.loads(data) for name, data in files.items() if re.fullmatch(r"ends/[0-9a-z-]{1,60}\.json", name)]
    if len(ends) != head["ends"]:
        off.append("ends are missing, or there are more than the head says")
    for end in ends:
        off += [f"{end['id']}: {finding}" for finding in end_off(end, int(size), root, files)]
    print(f"{len(ends)} ends, sealed {at}, site key {key}")
    return off


def main():
    try:
        with tarfile.open(sys.argv[1]) as archive:
            files = {x.name: archive.extractfile(x).read() for x in archive if x.isfile()}
        off = verify(files, sys.argv[2] if len(sys.argv) > 2 else None)
    except (AttributeError, IndexError, KeyError, OSError, TypeError, ValueError, tarfile.TarError) as error:
        print(f"this is no proof: {error!r}")
        return 2
    for finding in off:
        print(finding)
    print("It holds." if not off else "It does not hold.")
    return 1 if off else 0


if __name__ == "__main__":
    sys.exit(main())
