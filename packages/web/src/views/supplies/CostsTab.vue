<template><p class="quiet">…</p></template>
