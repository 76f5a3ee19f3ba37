/** Hands a file made here to the browser's own downloads. */
export function saveFile(name: string, type: string, content: BlobPart): void {
  const link = document.createElement("a");
  link.href = URL.createObjectURL(new Blob([content], { type }));
  link.download = name;
  link.click();
  URL.revokeObjectURL(link.href);
}
