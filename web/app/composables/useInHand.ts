/** Whether the page for a phone in the hand is shown: it has no room for more than the drive. */
export function useInHand() {
  const route = useRoute()
  return computed(() => route.path.endsWith('/hand'))
}
