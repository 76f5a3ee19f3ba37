"use client";

import { FACE_ZONES, type FaceKind, type FaceMark, zoneDiameter } from "@/core";
import { t } from "@/messages/light";

interface Point {
  readonly x: number;
  readonly y: number;
}

interface FaceDrawingProps {
  readonly face: FaceKind;
  readonly marks: readonly FaceMark[];
  /** Width of the face that is shown, micrometres. */
  readonly width: number;
  /** Start of the scratch being drawn. */
  readonly start: Point | null;
  readonly photo: { readonly href: string; readonly width: number } | null;
  readonly onPoint: (point: Point) => void;
}

const tenths = (value: number): number => Math.round(value * 10) / 10;

/** An end face drawn to scale: its zones, the marks on it, a photograph behind where there is one. */
export function FaceDrawing({ face, marks, width, start, photo, onPoint }: FaceDrawingProps) {
  const line = width / 260;
  return (
    <svg
      viewBox={`${-width / 2} ${-width / 2} ${width} ${width}`}
      className="w-full max-w-md touch-manipulation rounded-md border border-line bg-raised"
      onPointerDown={({ currentTarget, clientX, clientY }) => {
        const box = currentTarget.getBoundingClientRect();
        const scale = width / box.width;
        onPoint({
          x: tenths((clientX - box.left) * scale - width / 2),
          y: tenths((clientY - box.top) * scale - width / 2),
        });
      }}
    >
      <title>{t("face-drawn")}</title>
      {photo && (
        <image
          href={photo.href}
          x={-photo.width / 2}
          y={-photo.width / 2}
          width={photo.width}
          height={photo.width}
          preserveAspectRatio="xMidYMid slice"
        />
      )}
      {[...FACE_ZONES].reverse().map((zone) => (
        <circle
          key={zone}
          r={zoneDiameter(face, zone) / 2}
          fill={photo ? "none" : zone === "A" ? "var(--glass, #8fd0dc)" : "var(--ground)"}
          fillOpacity={zone === "A" ? 0.35 : 1}
          stroke="var(--ink)"
          strokeWidth={line}
          strokeDasharray={zone === "C" ? `${4 * line} ${3 * line}` : undefined}
        />
      ))}
      {FACE_ZONES.map((zone, i) => {
        const inner = i === 0 ? 0 : zoneDiameter(face, FACE_ZONES[i - 1] ?? "A") / 2;
        const middle = zone === "A" ? 0 : (inner + zoneDiameter(face, zone) / 2) / 2;
        return (
          <text
            key={zone}
            y={-middle + 4 * line}
            textAnchor="middle"
            fontSize={(zone === "C" ? 8 : 12) * line}
            fill="var(--soft)"
            aria-hidden="true"
          >
            {zone}
          </text>
        );
      })}
      {marks.map((mark, i) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: marks go by their place
        <Mark key={i} {...mark} line={line} />
      ))}
      {start && <circle cx={start.x} cy={start.y} r={3 * line} fill="var(--now)" />}
    </svg>
  );
}

function Mark({ kind, at, to, size, line }: FaceMark & { readonly line: number }) {
  if (!at) return null;
  if (kind === "defect")
    return <circle cx={at.x} cy={at.y} r={Math.max(size / 2, 1.2 * line)} fill="var(--out)" />;
  const end = to ?? at;
  return (
    <path
      d={`M${at.x},${at.y} L${end.x},${end.y}`}
      stroke="var(--out)"
      strokeWidth={Math.max(size, 1.2 * line)}
      strokeLinecap="round"
    />
  );
}
