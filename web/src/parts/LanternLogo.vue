<template>
  <svg viewBox="0 0 32 32" width="30" height="30" fill="none" aria-hidden="true">
    <path d="M12 5a4 4 0 0 1 8 0" stroke="currentColor" stroke-width="2" stroke-linecap="round" />
    <rect x="8" y="7" width="16" height="3.4" rx="1.2" fill="currentColor" />
    <rect x="8.5" y="11" width="15" height="15" rx="4" stroke="currentColor" stroke-width="2" />
    <path
      class="flame"
      d="M16 14c2.600 2.600 2.800 4 2.800 5.200A2.800 2.800 0 0 1 16 22.400a2.800 2.800 0 0 1-2.800-3.200C13.200 18 13.400 16.600 16 14Z"
    />
    <rect x="7" y="26.500" width="18" height="3" rx="1.200" fill="currentColor" />
  </svg>
</template>

<style scoped>
.flame {
  fill: var(--glow);
}
</style>
