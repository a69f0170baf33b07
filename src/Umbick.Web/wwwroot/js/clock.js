// The time of the clock that is turned, in the school's own style: only the figures change.
document.addEventListener("umbick:turned", (event) => {
  const shown = document.querySelector("[data-clock-time]");
  const minute = Math.round(event.detail.minute) % 60;
  const hour = Math.round(event.detail.hour - minute / 60 + 12) % 12 || 12;
  shown.textContent = `${hour}${shown.textContent.replace(/\d/g, "")}${String(minute).padStart(2, "0")}`;
});
