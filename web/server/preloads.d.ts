/** Made by the build: which scripts each page needs at once. */
declare module '#preloads' {
  export const preloads: import('../build/preloads').Preloads
}
