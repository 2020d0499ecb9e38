<script setup lang="ts">
import type { Scene } from "../api/client";

defineProps<{ scene: Extract<Scene, { type: "table" }> }>();
</script>

<template>
  <table class="w-full text-left" data-mark="table">
    <caption class="zone-head text-left">
      {{
        scene.label
      }}
    </caption>
    <thead>
      <tr>
        <th v-for="h in scene.head" :key="h" class="border-b-2 py-1 pr-2 first:pl-1.5">{{ h }}</th>
      </tr>
    </thead>
    <tbody>
      <tr
        v-for="(row, i) in scene.rows"
        :key="i"
        :class="scene.here.includes(i) ? 'bg-here text-on-here' : ''"
      >
        <td v-for="(cell, j) in row" :key="j" class="border-b border-row py-1 pr-2 first:pl-1.5">
          {{ cell }}
        </td>
      </tr>
    </tbody>
  </table>
</template>
