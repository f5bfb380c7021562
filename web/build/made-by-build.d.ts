/** Made by the build: the routes of the server. */
declare module '#api-routes' {
  export const routes: readonly { readonly route: string; readonly method: string }[]
}

/** Made by the build: which scripts each page needs at once. */
declare module '#preloads' {
  export const preloads: import('./preloads').Preloads
  export const fonts: readonly string[]
}
