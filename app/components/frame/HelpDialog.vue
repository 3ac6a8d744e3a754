<script setup lang="ts">
const open = defineModel<boolean>('open', { required: true })
const groups = [
  { title: 'Everywhere', keys: [['/', 'Search players and stages'], ['?', 'This list'], ['W', 'What a target plays like today'], ['G then B', 'Bag'], ['G then R', 'Range session'], ['G then C', 'Carry chart'], ['G then G', 'Gaps'], ['G then P', 'Players'], ['N', 'Add a player, on their list']] },
  { title: 'On the range', keys: [['0–9', 'Type the carry'], ['4r, 4l, t79', 'Behind the carry: 4 right, 4 left, total 79'], ['Enter', 'Log the ball'], ['M', 'Mishit: with the carry typed, or the ball before'], ['S', 'Swung long, the same way'], ['P', 'A pile measured as one'], ['Arrow keys', 'Choose the stock shot'], ['U', 'Undo'], ['L', 'Leave out the last ball'], ['N', 'Go to what to hit next'], ['Esc', 'Clear what was typed']] },
  { title: 'In an opened stock shot of the chart', keys: [['Arrow keys', 'Walk to its neighbours'], ['Esc', 'Back to the chart']] },
  { title: 'In the lanes of Gaps', keys: [['Left, right', 'By the yard or metre'], ['Page up, page down', 'By ten'], ['Up, down', 'From stock shot to stock shot'], ['Esc', 'Let go']] },
  { title: 'In the bag', keys: [['Ctrl Z', 'Undo a change'], ['Ctrl Shift Z', 'Do it again'], ['Ctrl S', 'Save the bag']] },
]
</script>

<template>
  <UModal v-model:open="open" title="Keyboard" description="Letters work while no text is being typed.">
    <template #body>
      <section v-for="group in groups" :key="group.title" class="mb-5">
        <h3 class="mb-1 font-bold">{{ group.title }}</h3>
        <dl class="divide-y divide-default">
          <div v-for="[key, what] in group.keys" :key="key" class="flex items-center justify-between gap-4 py-1.5">
            <dt><UKbd size="lg" :value="key" /></dt>
            <dd>{{ what }}</dd>
          </div>
        </dl>
      </section>
    </template>
  </UModal>
</template>
