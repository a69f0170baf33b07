// Reads the square code on a sheet with the device's camera. Nothing that it sees leaves the browser.
/* global jsQR */
(() => {
  const press = document.querySelector("[data-camera]");
  const view = document.querySelector("[data-camera-view]");
  const video = view.querySelector("video");
  const form = document.querySelector("[data-by-code]");
  const why = document.getElementById("why");
  // Browsers lend a camera over HTTPS, and on the machine that runs Umbick.
  if (!navigator.mediaDevices?.getUserMedia || typeof jsQR === "undefined") return;
  press.hidden = false;
  let stream = null;

  function stop() {
    stream?.getTracks().forEach((track) => track.stop());
    stream = null;
    view.hidden = true;
  }

  function look(canvas) {
    if (!stream) return;
    if (video.readyState >= HTMLMediaElement.HAVE_ENOUGH_DATA) {
      [canvas.width, canvas.height] = [video.videoWidth, video.videoHeight];
      const picture = canvas.getContext("2d", { willReadFrequently: true });
      picture.drawImage(video, 0, 0);
      const seen = picture.getImageData(0, 0, canvas.width, canvas.height);
      const code = jsQR(seen.data, seen.width, seen.height)?.data;
      if (code) {
        stop();
        form.querySelector("[name=code]").value = code.slice(0, 24);
        form.requestSubmit();
        return;
      }
    }
    requestAnimationFrame(() => look(canvas));
  }

  press.addEventListener("click", async () => {
    try {
      stream = await navigator.mediaDevices.getUserMedia({ video: { facingMode: "environment" } });
    } catch {
      why.textContent = "The camera cannot be used here. Type the code.";
      return;
    }
    view.hidden = false;
    video.srcObject = stream;
    await video.play();
    look(document.createElement("canvas"));
  });
  view.querySelector("[data-camera-stop]").addEventListener("click", stop);
})();
