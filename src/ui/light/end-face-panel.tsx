"use client";

import { TriangleAlert } from "lucide-react";
import { type FormEvent, useState } from "react";
import {
  type EndFace,
  type EndState,
  FACE_KINDS,
  FACE_ZONES,
  type FaceKind,
  type FaceMark,
  gradeFace,
} from "@/core";
import { t } from "@/messages/light";
import { decimal } from "@/messages/numbers";
import { Button } from "../controls/button";
import { Field } from "../controls/field";
import { Select } from "../controls/select";
import { FaceDrawing } from "./face-drawing";
import { FACE_OPTIONS, FACE_TEXTS } from "./face-texts";

interface EndFacePanelProps {
  readonly state: EndState;
  /** The kind of face this end usually has. */
  readonly usual: FaceKind;
  readonly onAdd: (event: EndFace) => void;
  readonly onStrike: (look: string) => void;
}

/** The end face: how it was graded, and a drawn face to count scratches and defects on. */
export function EndFacePanel({ state, usual, onAdd, onStrike }: EndFacePanelProps) {
  const [open, setOpen] = useState(false);
  return (
    <section aria-labelledby="end-face" className="grid gap-2 rounded-lg border border-line p-3">
      <h3 id="end-face" className="font-bold text-lg">
        {t("end-face")}
      </h3>
      <ul className="grid gap-1 empty:hidden">
        {state.faces.map(({ id, face, marks }) => (
          <li key={id} className="flex items-center gap-2">
            <span className="min-w-0 flex-1">
              {FACE_TEXTS[face]()}:{" "}
              {t("face-seen", {
                passes: gradeFace({ face, marks }).passes ? "yes" : "no",
                marks: marks.length,
              })}
            </span>
            <Button look="quiet" className="text-sm" onClick={() => onStrike(id)}>
              {t("strike")}
            </Button>
          </li>
        ))}
      </ul>
      {open ? (
        <GradeFace
          usual={usual}
          photos={state.photos}
          onSave={(event) => {
            onAdd(event);
            setOpen(false);
          }}
        />
      ) : (
        <Button onClick={() => setOpen(true)}>{t("grade-the-end-face")}</Button>
      )}
    </section>
  );
}

interface GradeFaceProps {
  readonly usual: FaceKind;
  readonly photos: EndState["photos"];
  readonly onSave: (event: EndFace) => void;
}

/** The whole face, or four times nearer, micrometres from side to side. */
const SHOWN = { whole: 260, core: 65 } as const;
const NO_PHOTO = "none";

function readSize(text: string): number | null {
  const size = Math.round(Number(text.trim().replace(",", ".")) * 10) / 10;
  return text.trim() !== "" && size >= 0.1 && size <= 250 ? size : null;
}

function GradeFace({ usual, photos, onSave }: GradeFaceProps) {
  const [face, setFace] = useState(usual);
  const [marks, setMarks] = useState<readonly FaceMark[]>([]);
  const [shown, setShown] = useState<keyof typeof SHOWN>("whole");
  const [photo, setPhoto] = useState<string>(photos.at(-1)?.sha256 ?? NO_PHOTO);
  const [photoWidth, setPhotoWidth] = useState("250");
  const drawing = useMarks((mark) => setMarks([...marks, mark]));
  const sha256 = photo === NO_PHOTO ? null : photo;
  return (
    <div className="grid gap-3">
      <p className="flex items-start gap-2 rounded-md bg-now-wash px-3 py-2 font-semibold">
        <TriangleAlert aria-hidden="true" className="mt-1 size-5 shrink-0" /> {t("look-dark-only")}
      </p>
      <div className="grid grid-cols-2 gap-3">
        <Select
          title={t("face-kind")}
          value={face}
          options={FACE_OPTIONS}
          onPick={(id) => setFace(FACE_KINDS.find((kind) => kind === id) ?? usual)}
          className="min-w-0"
        />
        <Select
          title={t("zoom")}
          value={shown}
          options={[
            { id: "whole", name: t("zoom-whole") },
            { id: "core", name: t("zoom-core") },
          ]}
          onPick={(id) => setShown(id === "core" ? "core" : "whole")}
        />
        {photos.length > 0 && (
          <>
            <Select
              title={t("photo-behind")}
              value={photo}
              options={[
                { id: NO_PHOTO, name: t("no-photo") },
                ...photos.map(({ sha256: id, caption }, i) => ({
                  id,
                  name: caption || t("photo-number", { number: i + 1 }),
                })),
              ]}
              onPick={setPhoto}
              className="min-w-0"
            />
            <Field
              title={t("photo-width")}
              value={photoWidth}
              inputMode="decimal"
              onChange={({ target }) => setPhotoWidth(target.value)}
            />
          </>
        )}
      </div>
      <FaceDrawing
        {...{ face, marks, start: drawing.start, onPoint: drawing.point }}
        width={SHOWN[shown]}
        photo={sha256 ? { href: `/api/v1/photos/${sha256}`, width: readSize(photoWidth) ?? 250 } : null}
      />
      <MarkForm drawing={drawing} />
      {marks.length > 0 && (
        <Button look="quiet" className="justify-self-start" onClick={() => setMarks(marks.slice(0, -1))}>
          {t("undo-mark")}
        </Button>
      )}
      <Zones face={face} marks={marks} />
      <Button
        look="next"
        onClick={() => onSave({ kind: "end-face", face, marks: [...marks], photo: sha256 })}
      >
        {t("save-face")}
      </Button>
    </div>
  );
}

type Drawing = ReturnType<typeof useMarks>;

/** A mark being drawn: its kind and size, and for a scratch where it begins. */
function useMarks(onMark: (mark: FaceMark) => void) {
  const [kind, setKind] = useState<FaceMark["kind"]>("defect");
  const [sizeText, setSize] = useState("2");
  const [start, setStart] = useState<FaceMark["at"]>(null);
  const [problem, setProblem] = useState("");
  const sized = (more: Pick<FaceMark, "at" | "to" | "zone">) => {
    const size = readSize(sizeText);
    setStart(null);
    if (size === null) return setProblem(t("enter-a-size"));
    setProblem("");
    onMark({ kind, size, ...more });
  };
  return {
    ...{ kind, sizeText, start, problem },
    setKind: (next: FaceMark["kind"]) => {
      setKind(next);
      setStart(null);
    },
    setSize,
    point: (at: NonNullable<FaceMark["at"]>) => {
      if (kind === "scratch" && !start) return setStart(at);
      sized(kind === "scratch" ? { at: start, to: at, zone: null } : { at, to: null, zone: null });
    },
    inZone: (zone: FaceMark["zone"]) => sized({ at: null, to: null, zone }),
  };
}

/** Kind and size of the next mark, and a form to add a mark by its zone without drawing. */
function MarkForm({ drawing }: { readonly drawing: Drawing }) {
  const [zone, setZone] = useState<(typeof FACE_ZONES)[number]>("A");
  const add = (event: FormEvent) => {
    event.preventDefault();
    drawing.inZone(zone);
  };
  return (
    <form onSubmit={add} className="grid gap-3">
      <div className="grid grid-cols-2 gap-3">
        <Select
          title={t("mark-kind")}
          value={drawing.kind}
          options={[
            { id: "defect", name: t("mark-defect") },
            { id: "scratch", name: t("mark-scratch") },
          ]}
          onPick={(id) => drawing.setKind(id === "scratch" ? "scratch" : "defect")}
        />
        <Field
          title={t("mark-size")}
          value={drawing.sizeText}
          inputMode="decimal"
          problem={drawing.problem}
          onChange={({ target }) => drawing.setSize(target.value)}
        />
      </div>
      <p className="text-soft" aria-live="polite">
        {drawing.kind === "defect"
          ? t("draw-a-defect")
          : drawing.start
            ? t("scratch-ends-where")
            : t("draw-a-scratch")}{" "}
        {t("or-by-zone")}:
      </p>
      <div className="flex flex-wrap items-end gap-3">
        <Select
          title={t("zone")}
          value={zone}
          options={FACE_ZONES.map((id) => ({ id, name: t("zone-named", { zone: id }) }))}
          onPick={(id) => setZone(FACE_ZONES.find((each) => each === id) ?? "A")}
        />
        <Button type="submit">{t("add-mark")}</Button>
      </div>
    </form>
  );
}

/** Marks of each zone, and the reasons it fails. */
function Zones({ face, marks }: Pick<EndFace, "face"> & { readonly marks: readonly FaceMark[] }) {
  const { zones, passes } = gradeFace({ face, marks: [...marks] });
  return (
    <div>
      <p role="status" className={`font-bold text-xl ${passes ? "text-in" : "text-out"}`}>
        {passes ? t("face-passes") : t("face-fails")}
      </p>
      <ul>
        {zones.map(({ zone, scratches, defects, faults }) => (
          <li key={zone} className={faults.length > 0 ? "text-out" : "text-soft"}>
            {t("zone-row", { zone, scratches, defects })}
            {faults.map((fault) => (
              <span key={`${fault.kind} ${fault.why}`} className="block font-semibold">
                {faultText(fault)}
              </span>
            ))}
          </li>
        ))}
      </ul>
      <p className="text-soft text-sm">{t("criteria-from-memory")}</p>
    </div>
  );
}

type Fault = ReturnType<typeof gradeFace>["zones"][number]["faults"][number];

function faultText({ kind, why, count, largest, allowed, upTo }: Fault): string {
  const named = kind === "scratch" ? t("mark-scratch") : t("mark-defect");
  const most = decimal(String(upTo));
  if (why === "too-many") return t("fault-too-many", { count, kind: named, upTo: most, allowed });
  return upTo === 0
    ? t("fault-too-large-none", { count, kind: named })
    : t("fault-too-large", { count, kind: named, upTo: most, largest: decimal(String(largest)) });
}
