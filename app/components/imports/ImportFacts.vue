<script setup lang="ts">
import { plural } from '../../composables/format'
import type { ImportView } from '../../contract'

/** Where a file of records stands: how it was read, and how many of its rows are right, wrong, written, the same. */
const props = defineProps<{ file: ImportView; started: boolean }>()
const count = (state: 'right' | 'wrong' | 'written' | 'unchanged') => props.file.counts[state] ?? 0
const rows = computed(() => count('right') + count('wrong') + count('written') + count('unchanged'))
const delimiterWords: Record<string, string> = { ',': 'commas', ';': 'semicolons', '\t': 'tabs', '|': 'bars' }
const stateWords: Record<ImportView['state'], string> = {
  new: 'not checked yet',
  checking: 'being checked …',
  checked: 'checked, nothing written yet',
  writing: 'being written …',
  done: 'done',
  refused: 'refused',
}
</script>

<template>
  <p v-if="file.state === 'refused'" class="notice stuck" role="alert">{{ file.reason }}</p>
  <p v-else class="notice" role="status" data-test="import-facts">
    <span
      ><strong>{{ stateWords[file.state] }}</strong
      ><template v-if="file.asBefore && file.state === 'new'"
        >, mapped as the last file with these columns was</template
      >
      · {{ file.encoding }}, {{ delimiterWords[file.delimiter]
      }}<template v-if="file.heading"
        >, {{ plural(file.heading, 'line') }} above its columns left out</template
      ><template v-if="rows">
        · {{ plural(rows, 'row') }}:
        <template v-if="!started || count('right') + count('wrong')"
          >{{ count('right') }} right, {{ count('wrong') }} wrong</template
        ><template v-if="started"
          >{{ count('right') + count('wrong') ? ', ' : '' }}{{ count('written') }} written,
          {{ count('unchanged') }} unchanged</template
        ></template
      ></span
    >
  </p>
</template>

<style scoped>
p.notice {
  margin: 0;
}
</style>
