<template>
  <CircuitSheets />
</template>
