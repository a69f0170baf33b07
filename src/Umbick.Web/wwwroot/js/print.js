// A press that prints the page it stands on.
document.addEventListener("click", (event) => {
  if (event.target.closest?.("[data-print]")) print();
});
