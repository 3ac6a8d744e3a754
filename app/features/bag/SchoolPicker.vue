<script setup lang="ts">
import { starterRungs } from '#core/swing/scale'
import { SCHOOLS, type SchoolId } from '#core/swing/schools'
import { swingSolidity } from '~/ui/marks/swing-fill'
import { swingPoses } from '~/ui/marks/swing-figure'
import MarksSwingFigure from '~/ui/marks/SwingFigure.vue'

defineProps<{ chosen?: SchoolId }>()
defineEmits<{ choose: [school: SchoolId, presetId: string] }>()

const options = SCHOOLS.flatMap(school =>
  school.presets.map(preset => ({
    school: school.id,
    id: preset.id,
    title: school.presets.length > 1 ? `${school.title}, ${preset.title.toLowerCase()}` : school.title,
    means: school.means,
    rungs: preset.rungs
      .filter(rung => rung.starter)
      .map(rung => rung.label)
      .join(', '),
    poses: swingPoses({ school: school.id, rungs: starterRungs(school.id, preset.id, () => preset.id) }),
  })),
)
</script>

<template>
  <div class="grid gap-2 sm:grid-cols-2 lg:grid-cols-3">
    <button
      v-for="option in options"
      :key="option.id"
      type="button"
      class="raised flex cursor-pointer flex-col items-stretch justify-start p-4 text-left hover:border-(--ink)! hover:bg-elevated"
      @click="$emit('choose', option.school, option.id)"
    >
      <span class="flex items-center justify-between gap-2 text-lg font-bold"
        >{{ option.title }} <UIcon v-if="option.school === chosen" name="i-lucide-check" aria-label="now"
      /></span>
      <span class="my-1 flex gap-1">
        <MarksSwingFigure
          v-for="(pose, i) in option.poses"
          :key="i"
          :pose="pose"
          :solidity="swingSolidity(i, option.poses.length)"
          class="w-9"
        />
      </span>
      <span class="block font-semibold">{{ option.rungs }}</span>
      <span class="soft mt-1 block text-sm">{{ option.means }}</span>
    </button>
  </div>
</template>
