<script setup lang="ts">
import { App as AntApp, ConfigProvider } from 'ant-design-vue';
import { theme } from './style/theme';
</script>

<template>
  <ConfigProvider :theme="theme">
    <AntApp class="app">
      <RouterView />
    </AntApp>
  </ConfigProvider>
</template>

<style scoped>
.app {
  height: 100%;
  font: inherit;
  font-variant-numeric: inherit;
}
</style>
