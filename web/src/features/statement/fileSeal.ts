/** What a file of a statement is known by: its digest and, where it bears one, its code. */
export interface FileSeal {
  /** SHA-256 in hexadecimal. */
  digest: string
  code?: string
}

const CODE = /[2-9A-HJKMNP-TV-Z]{4}(?:-[2-9A-HJKMNP-TV-Z]{4}){2}/

/** The file itself stays where it is: nothing else of it is sent. */
export async function sealOf(bytes: ArrayBuffer): Promise<FileSeal> {
  const hash = new Uint8Array(await crypto.subtle.digest('SHA-256', bytes))
  const digest = [...hash].map((b) => b.toString(16).padStart(2, '0')).join('')
  const code = CODE.exec(new TextDecoder('latin1').decode(bytes))?.[0]
  return code ? { digest, code } : { digest }
}
