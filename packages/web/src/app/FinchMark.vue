<template>
  <svg width="22" height="22" viewBox="0 0 32 32" aria-hidden="true">
    <path
      d="M3 21C4 11 14 5 29 7l-5 5c0 8-6 14-14 14-4 0-7-2-7-5z"
      fill="#EBEFEA"
      stroke="#75827A"
      stroke-width="1.5"
    />
    <path d="M5 20l17-5-2 5-14 4z" fill="#F2B61A" />
  </svg>
</template>
