<script setup lang="ts">
import type { Stage } from '../../../core/dispatch/states'

defineProps<{ stage: Stage; filtered: boolean }>()
const words: Record<Stage, [string, string]> = {
  'to send': [
    'Nothing is due',
    'What a routine lists for you to make by hand, and what you returned, is listed here until you have ' +
      'it prepared or say that it is not wanted.',
  ],
  'to check': [
    'Nothing to look at',
    'When a routine with the trust “after a check” prepares a document, it is listed here, as it will be, ' +
      'until you send it.',
  ],
  waiting: [
    'Nothing waits',
    'Issued documents are listed here until their email goes or their print is posted: usually for a second.',
  ],
  'on the way': [
    'All have answered',
    'What the mail server has taken is listed here until word comes back, or silence counts as arrived.',
  ],
  arrived: [
    'Nothing arrived today yet',
    'Today’s documents come here when their delivery is reported, or presumed when no bounce came. ' +
      'Older ones are in the Register.',
  ],
  stuck: [
    'Nothing is stuck',
    'What did not go, or came back, is listed here with the reason and the remedy.',
  ],
}
</script>

<template>
  <div class="empty">
    <template v-if="filtered"
      ><strong>Nothing of that kind</strong>No document of this stage matches the sentence above. Widen it to
      see the others.</template
    >
    <template v-else
      ><strong>{{ words[stage][0] }}</strong
      >{{ words[stage][1] }}</template
    >
  </div>
</template>
