<script setup lang="ts"></script><template><div class="page"><div class="empty"><strong>Company</strong></div></div></template>
