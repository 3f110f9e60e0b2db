<script setup lang="ts">
import { t } from '../../words'
import { saidWords } from '../../words/speech'
import { plural } from '../../composables/format'
import type { ImportView } from '../../contract'

/** Where a file of records stands: how it was read, and how many of its rows are right, wrong, written, the same. */
const props = defineProps<{ file: ImportView; started: boolean }>()
const count = (state: 'right' | 'wrong' | 'written' | 'unchanged') => props.file.counts[state] ?? 0
const rows = computed(() => count('right') + count('wrong') + count('written') + count('unchanged'))
const delimiterWords: Record<string, string> = { ',': 'commas', ';': 'semicolons', '\t': 'tabs', '|': 'bars' }
const stateWords: Record<ImportView['state'], string> = {
  new: t('imports.notCheckedYet'),
  checking: t('imports.beingChecked'),
  checked: t('imports.checkedNothingWrittenYet'),
  writing: t('imports.beingWritten'),
  done: 'done',
  refused: 'refused',
}
</script>

<template>
  <p v-if="file.state === 'refused'" class="notice stuck" role="alert">{{ saidWords(file.reason) }}</p>
  <p v-else class="notice" role="status" data-test="import-facts">
    <span
      ><strong>{{ stateWords[file.state] }}</strong
      ><template v-if="file.asBefore && file.state === 'new'">{{
        t('imports.mappedAsTheLastFile')
      }}</template>
      · {{ file.encoding }}, {{ delimiterWords[file.delimiter]
      }}<template v-if="file.heading">{{
        t('imports.linesAboveItsColumnsLeft', { lines: plural(file.heading, 'line') })
      }}</template
      ><template v-if="rows">
        · {{ plural(rows, 'row') }}:
        <template v-if="!started || count('right') + count('wrong')">{{
          t('imports.rightRightWrongWrong', { right: count('right'), wrong: count('wrong') })
        }}</template><template v-if="started">{{
          t('imports.countWrittenWrittenUnchangedUnchanged', {
            count: count('right') + count('wrong') ? ', ' : '',
            written: count('written'),
            unchanged: count('unchanged'),
          })
        }}</template></template
      ></span
    >
  </p>
</template>

<style scoped>
p.notice {
  margin: 0;
}
</style>
