/** Hands a text to the browser to be saved as a file. */
export const saveText = (name: string, text: string, type = 'text/plain'): void =>
  saveBlob(name, new Blob([text], { type }))
