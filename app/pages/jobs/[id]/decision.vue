<template>
  <DecisionPage />
</template>
