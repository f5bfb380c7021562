<template>
  <svg width="8" height="26" viewBox="0 0 8 26" role="img" aria-label="Safety gate closed">
    <rect x="1" width="6" height="26" fill="#F08A3C" />
    <path d="M1 3h6v5H1zM1 13h6v5H1zM1 23h6v3H1z" fill="#1D1408" />
  </svg>
</template>
