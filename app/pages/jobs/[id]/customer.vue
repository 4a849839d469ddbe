<template>
  <PaperPage kind="customer" />
</template>
