"use client";

import { Check } from "lucide-react";
import { Select as Radix } from "radix-ui";
import { memo, type ReactNode, useId, useLayoutEffect, useRef, useState } from "react";
import { pageNonce } from "./nonce";
import { useSteady } from "./use-steady";

type SelectProps = SelectLook & (SelectHeld | SelectOfForm);

interface SelectLook {
  /** Its name, above it. */
  readonly title: ReactNode;
  /** Whether that name is small, as above a figure in a row of them. */
  readonly small?: boolean;
  readonly options: readonly { readonly id: string; readonly name: string }[];
  /** What stands there while nothing is picked; with it, nothing can be picked again. */
  readonly empty?: string | undefined;
  readonly className?: string;
}

/** What is picked is held by whoever shows it. */
interface SelectHeld {
  readonly value: string;
  readonly onPick: (id: string) => void;
}

/** What is picked goes with the form it stands in, under a name; nothing picked goes as nothing. */
interface SelectOfForm {
  readonly name: string;
  readonly start: string;
}

/** Nothing picked: the list takes no empty value. */
const NOTHING = "-";

const asItem = (id: string, empty: string | undefined): string =>
  id === "" && empty !== undefined ? NOTHING : id;
const asId = (item: string): string => (item === NOTHING ? "" : item);

/** One of several, from a list that opens: by touch, arrows or the letters it begins with. */
export function Select({ title, small = false, options, empty, className = "", ...held }: SelectProps) {
  const [own, setOwn] = useState("start" in held ? held.start : "");
  const value = "value" in held ? held.value : own;
  const pick = useSteady((item: string) => ("onPick" in held ? held.onPick(asId(item)) : setOwn(asId(item))));
  return (
    <Shown
      title={title}
      small={small}
      options={options}
      empty={empty}
      className={className}
      name={"name" in held ? held.name : null}
      value={value}
      onPick={pick}
    />
  );
}

interface ShownProps extends Required<Omit<SelectLook, "empty">>, Pick<SelectLook, "empty">, SelectHeld {
  /** Under which it goes with a form; null where it does not. */
  readonly name: string | null;
}

/** A list is a great deal to draw, and most keys on a page change nothing of it; who picks is the same for good. */
const sameShown = ({ options: was, ...a }: ShownProps, { options: is, ...b }: ShownProps): boolean =>
  was.length === is.length &&
  was.every(({ id, name }, i) => id === is[i]?.id && name === is[i]?.name) &&
  a.title === b.title &&
  a.small === b.small &&
  a.empty === b.empty &&
  a.className === b.className &&
  a.name === b.name &&
  a.value === b.value;

/**
 * Goes back to what opened a list in the very frame that closes it. Radix does so by a timer: a key struck before that would
 * begin at the top of the page, and one struck after it be taken back.
 */
function useFocusBack(open: boolean) {
  const trigger = useRef<HTMLButtonElement>(null);
  const wasOpen = useRef(false);
  useLayoutEffect(() => {
    if (wasOpen.current && !open) trigger.current?.focus({ preventScroll: true });
    wasOpen.current = open;
  }, [open]);
  return trigger;
}

const Shown = memo(function Shown({
  title,
  small,
  options,
  empty,
  className,
  name,
  value,
  onPick,
}: ShownProps) {
  const id = useId();
  const [open, setOpen] = useState(false);
  const trigger = useFocusBack(open);
  const all = empty === undefined ? options : [{ id: NOTHING, name: empty }, ...options];
  return (
    <div className={`grid min-w-0 grid-cols-[minmax(0,1fr)] ${small ? "gap-0.5" : "gap-1"} ${className}`}>
      <span id={id} className={small ? "text-soft text-sm" : "font-semibold"}>
        {title}
      </span>
      {name !== null && <input type="hidden" name={name} value={value} />}
      <Radix.Root value={asItem(value, empty)} onValueChange={onPick} open={open} onOpenChange={setOpen}>
        <Radix.Trigger
          ref={trigger}
          aria-labelledby={`${id} ${id}-value`}
          className="flex min-h-12 w-full items-center justify-between gap-2 rounded-lg border border-line bg-field px-3 text-left disabled:opacity-40"
        >
          <span id={`${id}-value`} className="min-w-0 truncate">
            <Radix.Value>{all.find((option) => option.id === asItem(value, empty))?.name}</Radix.Value>
          </span>
          <span aria-hidden="true" className="arrow-down text-soft" />
        </Radix.Trigger>
        {/* Closed, Radix would still lay out every option of every list on the page. */}
        {open && (
          <Radix.Portal>
            <Radix.Content
              position="popper"
              sideOffset={4}
              collisionPadding={8}
              // Late, it only goes back where a click beside the list has left nothing in hand.
              onCloseAutoFocus={(late) => {
                if (document.activeElement !== document.body) late.preventDefault();
              }}
              // The key that picks is done with: it does not press what is gone back to as well.
              onKeyDown={(pressed) => {
                if (pressed.key === "Enter") pressed.preventDefault();
              }}
              className="z-40 max-h-(--radix-select-content-available-height) min-w-(--radix-select-trigger-width) max-w-[calc(100vw-1rem)] overflow-y-auto rounded-lg border-2 border-ink bg-raised shadow-lg"
            >
              <Radix.Viewport nonce={pageNonce()}>
                {all.map((option) => (
                  <Radix.Item
                    key={option.id}
                    value={option.id}
                    className="flex min-h-11 cursor-pointer items-center gap-2 px-3 outline-none data-highlighted:bg-strong data-highlighted:text-on-strong"
                  >
                    <span className="flex size-4 shrink-0 items-center">
                      <Radix.ItemIndicator>
                        <Check aria-hidden="true" className="size-4" />
                      </Radix.ItemIndicator>
                    </span>
                    <Radix.ItemText>{option.name}</Radix.ItemText>
                  </Radix.Item>
                ))}
              </Radix.Viewport>
            </Radix.Content>
          </Radix.Portal>
        )}
      </Radix.Root>
    </div>
  );
}, sameShown);
