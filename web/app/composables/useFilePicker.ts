/**
 * A hidden file field behind a button: `choose` opens it, `picked` takes what was chosen, so that the same file can
 * be chosen again.
 */
export function useFilePicker(onFile: (file: File) => void) {
  const input = useTemplateRef<HTMLInputElement>('input')

  function picked(event: Event): void {
    const field = event.target as HTMLInputElement
    if (field.files?.[0]) onFile(field.files[0])
    field.value = ''
  }

  return { choose: () => input.value?.click(), picked }
}
