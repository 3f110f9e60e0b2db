<script setup lang="ts" generic="Names extends string">
import { t } from '../../words'
import FormField from '../fields/FormField.vue'
import WordPanel from './WordPanel.vue'
import { ApiRefusal, attempt } from '../../composables/api'
import { useActing } from '../../composables/useActing'
import { useSession } from '../../stores/session'
import { useToasts } from '../../stores/toasts'
import { dropFilter, fetchFilters, keepFilter } from '../../calls/saved-filters'

/**
 * What a list is narrowed to, kept by a name and taken up again: a word of the list's sentence. Everybody at the desk
 * has the same.
 */
const props = defineProps<{
  page: Parameters<typeof fetchFilters>[0]
  filters: Readonly<Record<Names, string>>
  /** The names that narrow the list, with what each is where it does not. */
  standard: Readonly<Record<Names, string>>
  /** Those of them that are kept. */
  names: readonly NoInfer<Names>[]
}>()
const emit = defineEmits<{ set: [change: Partial<Record<Names, string>>] }>()

const session = useSession()
const saved = shallowRef<Awaited<ReturnType<typeof fetchFilters>>>([])
const load = () =>
  attempt(async () => {
    saved.value = await fetchFilters(props.page)
  })
onMounted(load)

const now = computed(() =>
  Object.fromEntries(
    props.names.flatMap((name) =>
      props.filters[name] === props.standard[name] ? [] : [[name, props.filters[name]]],
    ),
  ),
)
const isNow = (filters: Record<string, string>) => {
  const names = Object.keys(now.value)
  return (
    names.length === Object.keys(filters).length && names.every((name) => now.value[name] === filters[name])
  )
}
const current = computed(() => saved.value.find((one) => isNow(one.filters)))
const name = ref('')
const replaces = ref(false)
watch(name, () => {
  replaces.value = false
})
const { wrong, acting } = useActing()

function take(filters: Record<string, string>, close: () => void) {
  emit(
    'set',
    Object.fromEntries(props.names.map((one) => [one, filters[one] ?? props.standard[one]])) as Partial<
      Record<Names, string>
    >,
  )
  close()
}
const keep = (close: () => void) =>
  acting(async () => {
    const wanted = name.value.trim()
    try {
      await keepFilter({ page: props.page, name: wanted, filters: now.value, replaces: replaces.value })
    } catch (error) {
      if (error instanceof ApiRefusal && error.code === 'filter-there') replaces.value = true
      throw error
    }
    name.value = ''
    close()
    useToasts().say(t('common.filterIsKept', { name: wanted }))
    await load()
  })
const drop = (one: (typeof saved.value)[number]) =>
  attempt(async () => {
    await dropFilter(one.id)
    await load()
    useToasts().say(t('common.filterIsGone', { name: one.name }), {
      undo: async () => {
        await keepFilter({ page: props.page, name: one.name, filters: one.filters, replaces: false })
        await load()
      },
    })
  })
</script>

<template>
  <span class="saved-filters"
    ><WordPanel
      v-slot="{ close }"
      :label="t('common.savedFilters')"
      :words="current?.name ?? t('common.filtersToTake')"
      :open-end="!current"
    >
      <ul v-if="saved.length" :aria-label="t('common.savedFilters')">
        <li v-for="one in saved" :key="one.id">
          <button
            type="button"
            class="word"
            :title="t('common.keptBy', { by: one.madeBy })"
            :aria-current="one === current"
            @click="take(one.filters, close)"
          >
            {{ one.name }}</button><button
            v-if="session.may('clerk')"
            type="button"
            class="word soft push"
            :aria-label="t('common.dropFilter', { name: one.name })"
            @click="drop(one)"
          >
            {{ t('common.takeItAway') }}
          </button>
        </li>
      </ul>
      <p v-else class="soft">{{ t('common.noSavedFilters') }}</p>
      <template v-if="session.may('clerk') && Object.keys(now).length > 0 && !current">
        <FormField
          v-model="name"
          :label="t('common.keepFilterAs')"
          :wrong="wrong"
          maxlength="60"
          data-test="filter-name"
          @keydown.enter.prevent.stop="name.trim() && keep(close)"
        />
        <VBtn
          type="button"
          :disabled="!name.trim()"
          class="keep"
          data-test="keep-filter"
          @click="keep(close)"
          >{{ replaces ? t('common.replaceIt') : t('common.keepIt') }}</VBtn
        >
      </template>
    </WordPanel></span
  >
</template>

<style scoped>
.saved-filters {
  white-space: nowrap;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
.keep {
  align-self: start;
}
li {
  display: flex;
  gap: 16px;
  padding: 2px 0;
}
</style>
