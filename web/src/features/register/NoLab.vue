<template>
  <div class="card">
    <h2>No lab in this term</h2>
    <p class="soft">Say under <router-link to="/term">Plan, the term</router-link> when labs are held.</p>
  </div>
</template>
