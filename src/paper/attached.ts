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
