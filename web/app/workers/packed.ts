/** Text in pieces, packed with gzip; no more of it is held at once than a few pieces. */
export function packed(pieces: Iterator<string>): Promise<Blob> {
  const bytes = new TextEncoder()
  const text = new ReadableStream<Uint8Array<ArrayBuffer>>({
    pull(to) {
      const { done, value } = pieces.next()
      if (done) to.close()
      else to.enqueue(bytes.encode(value))
    },
  })
  return new Response(text.pipeThrough(new CompressionStream('gzip'))).blob()
}
