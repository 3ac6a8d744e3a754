<template>
  <main class="mx-auto flex min-h-dvh w-full max-w-6xl flex-col px-5 py-8 sm:px-10">
    <slot />
  </main>
</template>
