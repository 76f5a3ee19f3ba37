"use client";

import { Camera } from "lucide-react";
import { useId, useState } from "react";
import { toast } from "sonner";
import { v4 as uuid } from "uuid";
import type { EndId, EndState, Recorded } from "@/core";
import { t } from "@/messages/photos";
import { Input } from "../controls/input";
import { call } from "../http/http";
import { usePeople } from "../people/people-context";

interface PhotoStripProps {
  readonly end: EndId;
  /** Each with the hash of its original where that is stored. */
  readonly photos: readonly (Pick<EndState["photos"][number], "sha256" | "caption" | "width" | "height"> & {
    readonly original?: string | undefined;
  })[];
  readonly onAdded: (events: readonly Recorded[]) => void;
}

/** Photographs of an end, and a way to add one: from the camera on a phone or tablet, from a file on a desk. */
export function PhotoStrip({ end, photos, onAdded }: PhotoStripProps) {
  const [sending, setSending] = useState(false);
  const [caption, setCaption] = useState("");
  const id = useId();
  const { who } = usePeople();
  const send = async (file: File | undefined) => {
    if (!file) return;
    setSending(true);
    const answer = await call("post /ends/{id}/photos", {
      params: { id: end },
      query: { client: uuid(), id: uuid(), caption: caption.trim(), by: who?.id ?? null },
      body: file,
    });
    setSending(false);
    if (!answer.ok) {
      toast.error(t("nothing-was-attached", { message: answer.problem.message }));
      return;
    }
    setCaption("");
    onAdded(answer.value.events);
  };
  return (
    <div className="grid gap-2">
      {photos.length > 0 && (
        <ul aria-label={t("photographs")} className="flex flex-wrap gap-2">
          {photos.map((photo) => (
            <Photo key={photo.sha256} {...photo} />
          ))}
        </ul>
      )}
      <div className="no-print flex flex-wrap items-center gap-2">
        <label htmlFor={`${id}-caption`} className="sr-only">
          {t("caption-of-the-photograph")}
        </label>
        <Input
          id={`${id}-caption`}
          value={caption}
          onChange={(event) => setCaption(event.target.value)}
          maxLength={200}
          placeholder={t("caption-if-any")}
          className="min-w-0 flex-1"
        />
        <label
          htmlFor={id}
          className="flex min-h-12 cursor-pointer items-center gap-2 rounded-md border border-line px-3 focus-within:outline-3 focus-within:outline-now"
        >
          <Camera aria-hidden="true" className="size-5" /> {sending ? t("sending") : t("attach-a-photograph")}
          <input
            id={id}
            type="file"
            accept="image/jpeg,image/png,image/webp"
            disabled={sending}
            onChange={(event) => {
              send(event.target.files?.[0]);
              event.target.value = "";
            }}
            className="sr-only"
          />
        </label>
      </div>
    </div>
  );
}

/** A photograph as it is shown small, with the way to it and to its original. */
function Photo({ sha256, width, height, caption: message, original }: PhotoStripProps["photos"][number]) {
  return (
    <li>
      <a href={`/api/v1/photos/${sha256}`} target="_blank" rel="noreferrer" className="block w-40">
        {/* biome-ignore lint/performance/noImgElement: it lies beside the database, already made small */}
        <img
          src={`/api/v1/photos/${sha256}`}
          width={width}
          height={height}
          alt={message || t("photograph-of-this-end")}
          loading="lazy"
          className="h-28 w-40 rounded-md border border-line object-cover"
        />
        <span className="block truncate text-sm">{message}</span>
      </a>
      {original && (
        <a href={`/api/v1/photos/${original}`} target="_blank" rel="noreferrer" className="text-sm underline">
          {t("original")}
        </a>
      )}
    </li>
  );
}
