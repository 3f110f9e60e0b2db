<script setup lang="ts">
import { t } from '../../words'
/** The keys, and what they do. */
const keys = [
  [t('frame.inAList'), ''],
  [t('frame.upDown'), t('frame.goFromRowToRow')],
  [t('frame.keySpace'), t('frame.picksTheRow')],
  [t('frame.shiftUpDown'), t('frame.picksARange')],
  [t('frame.ctrlA'), t('frame.picksAllThatAreLoaded')],
  [t('frame.leftRight'), t('frame.switchBetweenDocumentEmailAnd')],
  [t('frame.keyEnter'), t('frame.opensIt')],
  ['D', t('frame.onANarrowScreenShows')],
  ['F', t('frame.showsTheDocumentFullScreen')],
  [t('frame.keyEscape'), t('frame.givesUpThePicksThen')],
  [t('frame.onTheLine'), ''],
  [t('frame.leftRightOnTheCloths'), t('frame.goFromStageToStage')],
  [t('frame.anywhere'), ''],
  [t('frame.ctrlEnter'), t('frame.isTheFilledButtonOf')],
  [t('frame.ctrlK2'), t('frame.findsOrdersDocumentsAndCustomers')],
  ['F1', t('frame.showsThisHelp')],
]
</script>

<template>
  <dl>
    <template v-for="[key, words] in keys" :key="key">
      <dt v-if="!words" class="part">{{ key }}</dt>
      <template v-else
        ><dt>
          <kbd>{{ key }}</kbd>
        </dt>
        <dd>{{ words }}</dd></template
      >
    </template>
  </dl>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: 190px 1fr;
  gap: 6px 12px;
  margin: 0;
}
.part {
  grid-column: 1 / 3;
  font-weight: 700;
  margin-top: 8px;
}
.part:first-child {
  margin-top: 0;
}
dd {
  margin: 0;
}
</style>
