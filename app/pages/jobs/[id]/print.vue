<template>
  <PaperPage kind="card" />
</template>
