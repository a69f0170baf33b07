// One polite region a page. Whatever has data-says is read out when it comes or changes: the next question, what came of an answer, a code,
// what waits. What has the focus is read already.
(() => {
  const says = "[data-says]";
  const region = document.getElementById("said");
  let news = new Set();
  let soon;
  let said;

  function heard(records) {
    for (const { type, target, addedNodes } of records) {
      const element = target.nodeType === Node.ELEMENT_NODE ? target : target.parentElement;
      if (element?.closest("#said")) continue;
      if (element?.closest(says)) news.add(element.closest(says));
      // What was hidden and comes into sight is news with all its parts.
      if (type === "attributes" && !target.hidden) for (const part of target.querySelectorAll(says)) news.add(part);
      for (const node of addedNodes) {
        if (node.nodeType !== Node.ELEMENT_NODE) continue;
        if (node.matches(says)) news.add(node);
        for (const part of node.querySelectorAll(says)) news.add(part);
      }
    }
    // When the page has come to rest: several changes are one thing to say.
    clearTimeout(soon);
    soon = setTimeout(tell, 120);
  }

  function tell() {
    const texts = [...news]
      .filter((part) => part.isConnected && part.checkVisibility() && part !== document.activeElement)
      .map((part) => part.innerText.replace(/\s+/g, " ").trim());
    news = new Set();
    const text = [...new Set(texts)].filter(Boolean).join(" ");
    if (!text) return;
    // The next question may be the same as the one before: emptied first, it is news again.
    region.textContent = "";
    requestAnimationFrame(() => {
      region.textContent = text;
    });
    // Said once: whoever walks through the page later does not meet it again.
    clearTimeout(said);
    said = setTimeout(() => {
      region.textContent = "";
    }, 12_000);
  }

  new MutationObserver(heard).observe(document.body, {
    subtree: true,
    childList: true,
    characterData: true,
    attributes: true,
    attributeFilter: ["hidden"],
  });
})();
