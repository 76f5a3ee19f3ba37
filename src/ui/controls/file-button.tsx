interface FileButtonProps {
  readonly name: string;
  /** File kinds to choose from, as an input's `accept`. */
  readonly accept: string;
  readonly onFile: (file: File) => void;
}

/** Asks for a file of the device; the same one can be chosen again. */
export const FileButton = ({ name, accept, onFile }: FileButtonProps) => (
  <label className="no-print flex min-h-12 cursor-pointer items-center rounded-lg border-2 border-ink px-4 font-semibold focus-within:outline-3 focus-within:outline-now">
    {name}
    <input
      type="file"
      accept={accept}
      className="sr-only"
      onChange={({ target }) => {
        const [file] = target.files ?? [];
        if (file) onFile(file);
        target.value = "";
      }}
    />
  </label>
);
