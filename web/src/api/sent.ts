/** A file as it is, for a call that takes bytes. */
export const sent = (file: Blob) => ({
  body: file as unknown as string,
  bodySerializer: (body: unknown) => body as Blob,
  headers: { 'Content-Type': 'application/octet-stream' },
})
