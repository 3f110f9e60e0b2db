<template>
  <svg viewBox="0 0 12 28" aria-hidden="true">
    <path d="M1.500 0 H5.200 V28 L3.400 24 L1 12 Z" fill="#d9913c" />
    <path d="M10.500 0 H6.800 V28 L8.600 24 L11 12 Z" fill="#b9772c" />
    <rect x="1" y="9" width="10" height="2.200" rx="1" fill="#8d5417" />
  </svg>
</template>
