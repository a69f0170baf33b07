// The list of keys, wherever ? is not a part of what is typed.
document.addEventListener("keydown", (event) => {
  if (event.key !== "?" || event.ctrlKey || event.metaKey || event.altKey || event.target.matches?.("input, select, textarea")) return;
  document.getElementById("keys")?.togglePopover();
});

// A page of the teacher's that the browser would keep for its Back button is emptied as it is left, and fetched again when it
// is come back to: once the device is with a child, nothing of the teacher's is left in it.
addEventListener("pagehide", (event) => {
  if (event.persisted) document.body.replaceChildren();
});
addEventListener("pageshow", (event) => {
  if (event.persisted) location.reload();
});
