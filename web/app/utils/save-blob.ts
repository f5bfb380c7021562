/** Hands a file to the browser to be saved. */
export function saveBlob(name: string, blob: Blob): void {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(blob)
  link.download = name
  link.click()
  setTimeout(URL.revokeObjectURL, 10_000, link.href)
}
