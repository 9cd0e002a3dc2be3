import type { Schema } from '@/api/client'
import { askDraft } from '@/core/askDraft'
import { useStepPicture } from '@/parts/useStepPicture'
import { stepsIn } from './edits'
import { therapist } from './useTherapist'

/**
 * What a step of a text looks like, on one side.
 *
 * @param of the text as it was judged, the place in its plan, and the profile it was judged by
 */
export function useSeen(
  of: () => { sequence?: Schema['Sequence']; span?: Schema['SpanView']; profile?: string },
) {
  return useStepPicture(
    () => {
      const { sequence, span } = of()
      const step = sequence && span && stepsIn(sequence).find((s) => s.id === span.step)
      // All that the picture is made of: the same step after another edit is the same picture.
      return step && JSON.stringify([step, span.side, span.second, span.open, therapist.value])
    },
    () => {
      const { sequence, span, profile } = of()
      const body = { sequence, profile, index: span!.index, therapist: therapist.value }
      return askDraft('picture', body)
    },
  )
}
