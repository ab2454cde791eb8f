<template>
  <RouterLink to="/" class="mark" aria-label="Aperta: all projects">
    <svg viewBox="0 0 32 32" width="20" height="20" aria-hidden="true">
      <circle cx="16" cy="16" r="12" fill="none" stroke="#4fb39f" stroke-width="3" />
      <path d="M16 4v12h12" fill="none" stroke="#4fb39f" stroke-width="3" />
    </svg>
    Aperta
  </RouterLink>
</template>

<style scoped>
.mark {
  display: inline-flex;
  align-items: center;
  gap: 8px;
  color: var(--text);
  font-weight: 600;
}
</style>
