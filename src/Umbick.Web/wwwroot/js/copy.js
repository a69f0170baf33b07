// Copies what stands in a field, and says so on the press.
document.addEventListener("click", async (event) => {
  const press = event.target.closest?.("[data-copy]");
  if (!press) return;
  const field = document.querySelector(press.dataset.copy);
  field.select();
  try {
    await navigator.clipboard.writeText(field.value);
    press.textContent = "Copied";
  } catch {
    // It stands selected: the keys of the machine copy it.
    press.textContent = "Selected: copy it with the keys";
  }
});
