const flag = (name: string) => {
  const shown = useState(name, () => false)
  return {
    shown,
    open: () => {
      shown.value = true
    },
    close: () => {
      shown.value = false
    },
  }
}

export const useKeysDialog = () => flag('keys-dialog')
export const useFindDialog = () => flag('find-dialog')
