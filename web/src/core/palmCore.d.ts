/** What the compiled core offers; a question takes the body of the server's endpoint and gives its answer, or what was refused. */
declare module '@core' {
  export function version(): string
  export function know(ofSchool: object): void
  export const check: (body: object) => object
  export const mend: (body: object) => object
  export const mendAll: (body: object) => object
  export const fit: (body: object) => object
  export const lines: (body: object) => object
  export const template: (body: object) => object
  export const picture: (body: object) => object
  export const difference: (body: object) => object
  export const open: (body: object) => object
  export const see: (body: object) => object
  export const watch: (body: object) => object
}
