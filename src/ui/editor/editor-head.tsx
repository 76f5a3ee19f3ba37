import { memo } from "react";
import { useHotkeys } from "react-hotkeys-hook";
import { t } from "@/messages/editor";
import { Button } from "../controls/button";
import { Input } from "../controls/input";
import { Link } from "../controls/link";
import { usePaused } from "../controls/use-paused";
import { useSteady } from "../controls/use-steady";
import type { Draft } from "./use-draft";

interface EditorHeadProps {
  readonly name: string;
  /** The revision it is made from; null for one that is new on the shelf. */
  readonly basis: number | null;
  readonly edited: Pick<Draft<unknown>, "undo" | "redo" | "canUndo" | "canRedo" | "typed">;
  readonly onSave: () => void;
  /** Whether it cannot be kept as it is. */
  readonly stopped: boolean;
  /** Why it was changed, where that is asked. */
  readonly why?: string;
  readonly onWhy?: (why: string) => void;
}

/** The head of an editor: back, undo, redo and save, each with its key. */
export function EditorHead({ edited, onSave, stopped, ...shown }: EditorHeadProps) {
  const { undo, redo, canUndo, canRedo, typed } = edited;
  const save = () => {
    if (!stopped) onSave();
  };
  // What a figure's key contradicts is said at once; the button follows once keys pause, and does nothing till then.
  const [drawn] = usePaused(stopped, typed);
  const acts = { onUndo: useSteady(undo), onRedo: useSteady(redo), onSave: useSteady(save) };
  return <Shown {...shown} {...acts} stopped={drawn} canUndo={canUndo} canRedo={canRedo} />;
}

interface ShownProps extends Omit<EditorHeadProps, "edited">, Pick<Draft<unknown>, "canUndo" | "canRedo"> {
  readonly onUndo: () => void;
  readonly onRedo: () => void;
}

/** A field that is none of the document's takes its own typing back. */
const isOwnUndo = ({ code, target }: KeyboardEvent): boolean =>
  code !== "KeyS" && target instanceof Element && target.closest("[data-own-undo]") !== null;

const Shown = memo(function Shown({
  name,
  basis,
  stopped,
  why,
  onWhy,
  onUndo,
  onRedo,
  onSave,
  canUndo,
  canRedo,
}: ShownProps) {
  const acts: Readonly<Record<string, () => void>> = {
    "mod+z": onUndo,
    "mod+shift+z": onRedo,
    "ctrl+y": onRedo,
    "mod+s": onSave,
  };
  // All by one listener: every key into a field goes through each there is.
  useHotkeys(Object.keys(acts), (_, { hotkey }) => acts[hotkey]?.(), {
    enableOnFormTags: true,
    preventDefault: true,
    ignoreEventWhen: isOwnUndo,
  });
  return (
    <header className="flex flex-wrap items-center gap-2 py-2">
      <Link href="/shelf" className="inline-flex min-h-12 items-center text-soft underline">
        {t("shelf")}
      </Link>
      <h1 className="mr-auto min-w-0 font-bold text-xl sm:truncate">
        {name || t("no-name-yet")}
        <span className="ml-2 font-normal text-base text-soft">
          {basis === null ? "new" : t("from-revision", { basis })}
        </span>
      </h1>
      <Button look="link" onClick={onUndo} disabled={!canUndo}>
        {t("undo")}
      </Button>
      <Button look="link" onClick={onRedo} disabled={!canRedo}>
        {t("redo")}
      </Button>
      {onWhy && (
        <Input
          aria-label={t("why-it-was-changed")}
          data-own-undo
          value={why}
          maxLength={300}
          placeholder={t("why-optional")}
          onChange={(event) => onWhy(event.target.value)}
          className="w-44"
        />
      )}
      <Button look="next" onClick={onSave} disabled={stopped} aria-keyshortcuts="Control+S">
        {t("keep-as", { value: basis === null ? t("revision-1") : t("the-next-revision") })}
      </Button>
    </header>
  );
});
