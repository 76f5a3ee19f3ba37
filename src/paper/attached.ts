import { AFRelationship, PDFDocument } from "pdf-lib";

/** A file that goes with a paper, inside it. */
export interface Attachment {
  readonly name: string;
  readonly mime: string;
  readonly bytes: Uint8Array;
  readonly about: string;
}

/** A PDF with a file attached (ISO 32000-1, 7.11.4): any reader lists it and saves it as it was. */
export async function withAttachment(
  pdf: Uint8Array,
  { name, mime, bytes, about }: Attachment,
): Promise<Buffer> {
  const document = await PDFDocument.load(pdf, { updateMetadata: false });
  await document.attach(bytes, name, {
    mimeType: mime,
    description: about,
    afRelationship: AFRelationship.Source,
  });
  return Buffer.from(await document.save());
}

/** Two PDFs as one: the pages of the other behind those of the first, whose title stays. */
export async function joined(pdf: Uint8Array, other: Uint8Array): Promise<Buffer> {
  const document = await PDFDocument.load(pdf, { updateMetadata: false });
  const behind = await PDFDocument.load(other, { updateMetadata: false });
  for (const page of await document.copyPages(behind, behind.getPageIndices())) document.addPage(page);
  return Buffer.from(await document.save());
}
