<script setup lang="ts">
/** The keys, and what they do. */
const keys = [
  ['In a list', ''],
  ['Up, Down', 'go from row to row'],
  ['Space', 'picks the row'],
  ['Shift + Up, Down', 'picks a range'],
  ['Ctrl + A', 'picks all that are loaded'],
  ['Left, Right', 'switch between Document, Email and History'],
  ['Enter', 'opens it'],
  ['D', 'on a narrow screen: shows the document, and the list again'],
  ['F', 'shows the document full screen; plus and minus zoom'],
  ['Escape', 'gives up the picks, then leaves the row'],
  ['On the Line', ''],
  ['Left, Right on the cloths', 'go from stage to stage'],
  ['Anywhere', ''],
  ['Ctrl + Enter', 'is the filled button of the screen; it asks before something leaves'],
  [
    'Ctrl + K',
    'finds orders, documents and customers, goes to places, and opens help by what you want to do',
  ],
  ['F1', 'shows this help'],
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
