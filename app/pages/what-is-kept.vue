<script setup lang="ts">
import { ERASABLE_AFTER_DAYS, INVITATION_DAYS, RESET_HOURS, SIGN_IN_DAYS } from '#shared/keep-times'

/** What is kept of whom, for how long, and who sees it: for coaches, players and their parents alike. */
definePageMeta({ layout: 'plain' })
useHead({ title: 'What is kept' })

const PARTS: { title: string; lines: string[] }[] = [
  {
    title: 'Of a player',
    lines: [
      'The name the coach gave (a nickname will do), the level, which way they play, and a line the coach wrote. ' +
        'Nothing about health belongs in it. Of somebody under age: who agreed, and when.',
      'The bag and the lengths of swing; balls with what was measured and when; practice, rounds, published charts.',
      'Who in the academy changed what, and when.',
    ],
  },
  {
    title: 'Of those who coach',
    lines: [
      'Name, address, a password that cannot be read back, on what kind of device they are signed in, and, where ' +
        'they switched it on, the sealed secret of a second step.',
      'What they chose: units, habits, marks, ranges and drills of their own.',
      'Of devices and programs that come in their name: what these are called, and when they came last.',
    ],
  },
  {
    title: 'Who sees it',
    lines: [
      'The people of the academy, each by their role; no other academy.',
      "Who holds a player's link sees the published chart, homework and what was logged through it. The coach can " +
        'end a link at any time.',
      'Nothing is sent to anybody else: there are no counters, no advertising, no other sites in these pages.',
    ],
  },
  {
    title: 'How long',
    lines: [
      `A player stays until an owner erases them, ${ERASABLE_AFTER_DAYS} days after they were archived at the ` +
        'earliest, or for as long as the owner chose for the archive; then every row goes. ' +
        'Backups are kept as long as whoever runs the server keeps them; bringing ' +
        'one back forgets again who was erased.',
      `A sign-in ends after ${SIGN_IN_DAYS} days unseen, an invitation after ${INVITATION_DAYS} days, and a ` +
        `link for a new password after ${RESET_HOURS} hours.`,
      'On a phone or tablet: the players opened last and what waits to be sent. Signing out lets go of all but what ' +
        'waits.',
    ],
  },
  {
    title: 'What you can ask for',
    lines: [
      'All that is kept of a player, as one file that other programs can read; a mistake mended; the player erased. ' +
        'Ask the coach, or the owner of the academy.',
      'A child should be logged only with a word of a parent or guardian; a nickname is enough. The coach notes who ' +
        'agreed and when; until then, and once it is taken back, nothing is shared by a link. What the law asks ' +
        'where you are goes before anything said here.',
    ],
  },
]
</script>

<template>
  <div class="mx-auto w-full max-w-2xl">
    <h1 class="text-3xl font-bold">What is kept</h1>
    <section v-for="{ title, lines } in PARTS" :key="title" class="mt-6">
      <h2 class="text-xl font-bold">{{ title }}</h2>
      <ul class="mt-1 list-disc space-y-1 pl-5">
        <li v-for="line in lines" :key="line">{{ line }}</li>
      </ul>
    </section>
    <p class="mt-8">
      <UButton color="neutral" variant="outline" icon="i-lucide-arrow-left" @click="$router.back()">Back</UButton>
    </p>
  </div>
</template>
