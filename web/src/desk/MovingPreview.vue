<script setup lang="ts">
/** Pictures that lie under one another, one after the other. */
defineProps<{ url: string }>();
</script>

<template>
  <span class="window"><span class="moving" :style="{ backgroundImage: `url('${url}')` }"></span></span>
</template>

<style scoped>
/* The pictures come at a size of their own and are shown a little smaller. */
.window {
  flex: none;
  width: 124px;
  height: 60px;
  overflow: hidden;
}
.moving {
  display: block;
  width: 200px;
  height: 96px;
  transform: scale(0.62);
  transform-origin: 0 0;
  background-color: #141414;
  background-size: 200px 2304px;
  animation: move 2.2s steps(1) infinite;
}
@keyframes move {
  0% {
    background-position: 0 0;
  }
  3% {
    background-position: 0 -96px;
  }
  6% {
    background-position: 0 -192px;
  }
  9% {
    background-position: 0 -288px;
  }
  12% {
    background-position: 0 -384px;
  }
  15% {
    background-position: 0 -480px;
  }
  18% {
    background-position: 0 -576px;
  }
  21% {
    background-position: 0 -576px;
  }
  24% {
    background-position: 0 -768px;
  }
  27% {
    background-position: 0 -864px;
  }
  30% {
    background-position: 0 -960px;
  }
  33% {
    background-position: 0 -1056px;
  }
  36% {
    background-position: 0 -1152px;
  }
  39% {
    background-position: 0 -1248px;
  }
  42% {
    background-position: 0 -1152px;
  }
  45% {
    background-position: 0 -1440px;
  }
  48% {
    background-position: 0 -1536px;
  }
  51% {
    background-position: 0 -1632px;
  }
  54% {
    background-position: 0 -1728px;
  }
  57%,
  100% {
    background-position: 0 -2208px;
  }
}
@media (prefers-reduced-motion: reduce) {
  .moving {
    animation: none;
    background-position: 0 -768px;
  }
}
</style>
