import type { WorthInput } from '@wobrin/core/bench/worth'

/** What this workshop knows of what a drive will take, as its worth is worked out from. */
export type WorthFacts = Required<Pick<WorthInput, 'endings' | 'outlook' | 'pace' | 'repairs' | 'spent'>>
