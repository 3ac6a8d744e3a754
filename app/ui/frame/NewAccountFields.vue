<script setup lang="ts">
import { PASSWORD_MIN } from '#shared/password'

/** What every new account asks for, whichever door it comes through. */
defineProps<{ faultOf: (field: string) => string | undefined }>()
const form = defineModel<{ name: string; email: string; password: string }>({ required: true })
</script>

<template>
  <UFormField label="Your name" name="name" :error="faultOf('name')" help=" "
    ><UInput v-model="form.name" autocomplete="name" class="w-full"
  /></UFormField>
  <UFormField label="E-mail" name="email" :error="faultOf('email')" help="You sign in with it."
    ><UInput v-model="form.email" type="email" autocomplete="username" class="w-full"
  /></UFormField>
  <UFormField
    label="Password"
    name="password"
    :error="faultOf('password')"
    :help="`${PASSWORD_MIN} characters or more.`"
    ><UInput v-model="form.password" type="password" autocomplete="new-password" class="w-full"
  /></UFormField>
</template>
