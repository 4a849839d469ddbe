<template>
  <PaperPage kind="verdict" />
</template>
