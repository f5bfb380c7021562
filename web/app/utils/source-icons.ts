import { AudioWaveform, Bot, Calculator, Gauge, Hand, MessageSquare, Monitor, PencilLine } from 'lucide-vue-next'
import type { SourceId } from '@wobrin/core/base/observations'

/** One mark for each source of a value. */
export const SOURCE_ICONS = {
  recording: AudioWaveform,
  instrument: Calculator,
  meter: Gauge,
  probe: PencilLine,
  host: Monitor,
  hand: Hand,
  said: MessageSquare,
  simulated: Bot,
} as const satisfies Record<SourceId, unknown>
