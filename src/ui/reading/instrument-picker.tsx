"use client";

import { Select } from "radix-ui";
import type { Instrument } from "@/core";
import { t } from "@/messages/reading";
import { pageNonce } from "../controls/nonce";
import { exactMm, signedMm } from "../words/length-text";

interface InstrumentPickerProps {
  readonly instruments: readonly Instrument[];
  readonly instrument: Instrument;
  readonly onPick: (id: string) => void;
}

/** What the reading is taken with: chosen once, remembered on this device. */
export function InstrumentPicker({ instruments, instrument, onPick }: InstrumentPickerProps) {
  return (
    <Select.Root value={instrument.id} onValueChange={onPick}>
      <Select.Trigger
        aria-label={t("instrument")}
        className="flex min-h-12 w-full items-center justify-between rounded-md border border-line px-3 text-left"
      >
        <span className="min-w-0 truncate">
          <Select.Value>{instrument.name}</Select.Value>{" "}
          <span className="text-soft text-sm">{errorText(instrument)}</span>
        </span>
        <span aria-hidden="true" className="arrow-down" />
      </Select.Trigger>
      <Select.Portal>
        <Select.Content
          position="popper"
          className="z-30 rounded-lg border border-line bg-raised p-1 shadow-xl"
        >
          <Select.Viewport nonce={pageNonce()}>
            {instruments.map((instrument) => (
              <Select.Item
                key={instrument.id}
                value={instrument.id}
                className="flex min-h-12 cursor-pointer items-center gap-2 rounded-md px-3 outline-none data-[highlighted]:bg-now-wash"
              >
                <Select.ItemText>{instrument.name}</Select.ItemText>
                <span className="text-soft text-sm">{errorText(instrument)}</span>
              </Select.Item>
            ))}
          </Select.Viewport>
        </Select.Content>
      </Select.Portal>
    </Select.Root>
  );
}

const errorText = ({ resolution, repeatability, bias }: Instrument): string =>
  bias === undefined
    ? t("reads-repeats-mm", { formatMm: exactMm(resolution), formatMm2: exactMm(repeatability) })
    : t("reads-repeats-off-mm", {
        resolution: exactMm(resolution),
        repeats: exactMm(repeatability),
        bias: signedMm(bias),
      });
