"use client";

import { RadioGroup } from "radix-ui";
import type { ReactNode } from "react";

interface RadioCardsProps<T extends string> {
  readonly title: string;
  readonly value: string;
  readonly options: readonly { readonly id: T; readonly name: string; readonly about: string }[];
  readonly onPick: (id: T) => void;
  readonly children?: ReactNode;
}

/** One of a few, each on a card that says what it means. */
export function RadioCards<T extends string>({
  title,
  value,
  options,
  onPick,
  children,
}: RadioCardsProps<T>) {
  return (
    <div>
      <h2 className="mb-2 font-bold text-lg">{title}</h2>
      <RadioGroup.Root
        value={value}
        onValueChange={(picked) => {
          const option = options.find(({ id }) => id === picked);
          if (option) onPick(option.id);
        }}
        aria-label={title}
        className="grid gap-2 sm:grid-cols-3"
      >
        {options.map(({ id, name, about }) => (
          <RadioGroup.Item
            key={id}
            value={id}
            className="min-h-14 rounded-lg border-2 border-line px-4 py-2 text-left data-[state=checked]:border-ink data-[state=checked]:bg-raised"
          >
            <span className="block font-semibold">{name}</span>
            {about && <span className="block text-soft text-sm">{about}</span>}
          </RadioGroup.Item>
        ))}
      </RadioGroup.Root>
      {children && <p className="mt-2 text-soft">{children}</p>}
    </div>
  );
}
