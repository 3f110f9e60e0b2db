<script setup lang="ts">
import { plural } from '../../composables/format'
import type { BankFileView } from '../../contract'

/** Where a bank file stands: how many of its movements are done, sure, unsure or strange. */
const props = defineProps<{ file: BankFileView }>()
const count = (state: string) => props.file.counts[state as 'sure'] ?? 0
const done = computed(() => count('booked') + count('set aside'))
</script>

<template>
  <p v-if="file.state === 'refused'" class="notice stuck" role="alert">{{ file.reason }}</p>
  <p v-else-if="file.state === 'reading'" class="notice" role="status">
    The file is being read and matched …
  </p>
  <p v-else class="notice" role="status" data-test="file-facts">
    <span
      ><template v-if="file.account"
        >Account <span class="mono">{{ file.account }}</span>: </template
      >{{ plural(file.entries, 'movement')
      }}<template v-if="file.known">, {{ file.known }} known from another file and left out</template>.
      {{ done }} done<template v-if="count('to book')">, {{ count('to book') }} being booked</template>,
      {{ count('sure') }} matched, {{ count('unsure') }} to check, {{ count('strange') }} unknown.</span
    >
  </p>
</template>
