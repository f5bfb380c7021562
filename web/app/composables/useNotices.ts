export interface Notice {
  readonly id: number
  readonly text: string
  readonly kind: 'done' | 'problem'
}

let last = 0

/** Short messages at the foot of the page; problems stay until they are closed. */
export function useNotices() {
  const notices = useState<Notice[]>('notices', () => [])
  const close = (id: number) => {
    notices.value = notices.value.filter(n => n.id !== id)
  }
  const add = (text: string, kind: Notice['kind']) => {
    const id = ++last
    notices.value = [...notices.value.filter(n => n.text !== text), { id, text, kind }]
    if (kind === 'done') setTimeout(close, 5000, id)
  }
  return { notices, close, done: (text: string) => add(text, 'done'), problem: (text: string) => add(text, 'problem') }
}
