<script setup lang="ts">
import { t } from '../../words'
import { saidWords } from '../../words/speech'
import { useSession } from '../../stores/session'
import { useToasts } from '../../stores/toasts'
import { useActing } from '../../composables/useActing'
import { shortTime } from '../../composables/format'
import { askSecond } from '../../calls/prepared'
import type { PreparedView } from '../../contract'

/** Why a prepared document needs a second person, and who asked for one. */
const props = defineProps<{ view: PreparedView; kept: () => Promise<unknown> }>()
const session = useSession()
const { busy, wrong, acting } = useActing()
const own = computed(() => props.view.asked?.id === session.user?.id)
const ask = (back: boolean) =>
  acting(async () => {
    const { id, revision } = props.view
    const { asked } = await askSecond({ papers: [{ id, revision }], back })
    await props.kept()
    if (asked > 0) useToasts().say(back ? t('paper.nobodyIsAsked') : t('paper.secondIsAsked'))
  })
</script>

<template>
  <div class="notice wait second" data-test="second-look">
    <span class="words"
      >{{ saidWords(view.secondLook) }}
      <template v-if="view.asked">{{
        own
          ? t('paper.youAsked', { at: shortTime(view.asked.at) })
          : t('paper.askedYou', { name: view.asked.name, at: shortTime(view.asked.at) })
      }}</template>
      <strong v-if="wrong" role="alert">{{ wrong }}</strong></span
    >
    <template v-if="session.may('clerk')"
      ><VBtn v-if="!view.asked" height="28" :disabled="busy" data-test="ask-second" @click="ask(false)">{{
        t('paper.askSecond')
      }}</VBtn>
      <button v-else type="button" class="word" :disabled="busy" @click="ask(true)">
        {{ t('paper.askNobody') }}
      </button></template
    >
  </div>
</template>

<style scoped>
.second {
  display: flex;
  gap: 12px;
  align-items: flex-start;
  flex: none;
}
.words {
  flex: 1;
}
</style>
