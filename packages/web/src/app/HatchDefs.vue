<script setup lang="ts">
/** The hatches that tell materials and surfaces apart without colour, once for all drawings. Sizes in px of the screen. */
</script>

<template>
  <svg width="0" height="0" class="position-absolute" aria-hidden="true">
    <defs>
      <pattern id="hatch-stipple" width="11" height="11" patternUnits="userSpaceOnUse">
        <rect width="11" height="11" class="sheet" />
        <circle cx="2.5" cy="2.5" r="0.8" class="dot" />
        <circle cx="8" cy="8" r="0.8" class="dot" />
      </pattern>
      <pattern id="hatch-beads" width="14" height="14" patternUnits="userSpaceOnUse">
        <rect width="14" height="14" class="sheet" />
        <circle cx="4" cy="4" r="2.6" class="line" />
        <circle cx="11" cy="10.5" r="2" class="line" />
      </pattern>
      <pattern id="hatch-fibre" width="40" height="8" patternUnits="userSpaceOnUse">
        <rect width="40" height="8" class="sheet" />
        <path d="M0 2h26M32 2h8M0 6h8M14 6h26" class="line" />
      </pattern>
      <pattern id="hatch-grain" width="46" height="12" patternUnits="userSpaceOnUse">
        <rect width="46" height="12" class="sheet" />
        <path d="M0 3q11-3 23 0t23 0M0 9q11 3 23 0t23 0" class="line" />
      </pattern>
      <pattern id="hatch-flutes" width="12" height="10" patternUnits="userSpaceOnUse">
        <rect width="12" height="10" class="sheet" />
        <path d="M0 10L6 0L12 10" class="line" />
      </pattern>
      <pattern id="hatch-solid" width="6" height="6" patternUnits="userSpaceOnUse">
        <rect width="6" height="6" class="ochre" />
        <path d="M0 6L6 0" class="line" />
      </pattern>
      <pattern id="hatch-water" width="22" height="9" patternUnits="userSpaceOnUse">
        <rect width="22" height="9" class="slate-wash" />
        <path d="M0 5q5.5-5 11 0t11 0" class="slate" />
      </pattern>
      <pattern id="hatch-raised" width="9" height="9" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <rect width="9" height="9" class="moss-wash" />
        <path d="M0 0V9" class="moss" />
      </pattern>
      <pattern id="hatch-raised-more" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <rect width="5" height="5" class="moss-wash" />
        <path d="M0 0V5" class="moss" />
      </pattern>
      <pattern id="hatch-pit" width="8" height="8" patternUnits="userSpaceOnUse">
        <rect width="8" height="8" class="sheet" />
        <path d="M0 0L8 8M8 0L0 8" class="line" />
      </pattern>
      <pattern id="hatch-route" width="10" height="6" patternUnits="userSpaceOnUse">
        <rect width="10" height="6" class="sheet" />
        <path d="M1 1.5h4M6 4.5h3" class="ochre-line" />
      </pattern>
      <pattern id="hatch-ramp" width="12" height="7" patternUnits="userSpaceOnUse">
        <rect width="12" height="7" class="moss-wash" />
        <path d="M0 6L6 1L12 6" class="moss open-line" />
      </pattern>
      <pattern id="hatch-plot" width="10" height="10" patternUnits="userSpaceOnUse">
        <rect width="10" height="10" class="sheet" />
        <path d="M0 5H10M5 0V10" class="faint" />
      </pattern>
      <pattern id="hatch-field" width="9" height="9" patternUnits="userSpaceOnUse">
        <rect width="9" height="9" class="moss-wash" />
      </pattern>
      <pattern id="hatch-patch" width="8" height="8" patternUnits="userSpaceOnUse">
        <path d="M1 6q2-4 3 0t3 0" fill="none" stroke="var(--ochre)" />
      </pattern>
      <pattern id="hatch-wall" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(-45)">
        <rect width="5" height="5" class="sheet" />
        <path d="M0 0V5" class="ink-line" />
      </pattern>
      <pattern id="hatch-no" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <path d="M0 0V7" class="clay-line" />
      </pattern>
      <pattern id="hatch-far" width="9" height="9" patternUnits="userSpaceOnUse">
        <circle cx="3" cy="3" r="1.4" class="clay-dot" />
      </pattern>
      <pattern id="hatch-unseen" width="6" height="6" patternUnits="userSpaceOnUse">
        <path d="M0 3H6" class="ink-line" />
      </pattern>
      <marker id="mark-up" viewBox="0 0 8 8" refX="7" refY="4" markerWidth="7" markerHeight="7" orient="auto">
        <path d="M0 0.5L7 4L0 7.5" class="moss open-line" />
      </marker>
      <pattern id="hatch-open" width="16" height="16" patternUnits="userSpaceOnUse">
        <rect width="16" height="16" class="sheet" />
        <circle cx="3" cy="4" r="0.7" class="dot" />
        <circle cx="11" cy="12" r="0.7" class="dot" />
      </pattern>
    </defs>
  </svg>
</template>

<style scoped>
.sheet {
  fill: var(--sheet);
}
.dot {
  fill: var(--tick);
}
.line {
  fill: none;
  stroke: var(--tick);
  stroke-width: 0.9;
}
.slate-wash {
  fill: var(--slate-wash);
}
.slate {
  fill: none;
  stroke: var(--slate);
  stroke-width: 0.9;
}
.moss-wash {
  fill: var(--moss-wash);
}
.moss {
  stroke: var(--moss);
  stroke-width: 0.7;
}
.open-line {
  fill: none;
}
.faint {
  stroke: var(--rule);
  stroke-width: 0.8;
}
.ink-line {
  stroke: var(--ink);
  stroke-width: 0.9;
}
.clay-line {
  stroke: var(--clay);
  stroke-width: 1.1;
}
.clay-dot {
  fill: var(--clay);
}
.ochre {
  fill: var(--ochre-fill);
}
.ochre-line {
  stroke: var(--ochre);
  stroke-width: 1;
}
</style>
