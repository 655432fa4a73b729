"""The real application on a display of its own, driven by keys: for scripts/faults and scripts/figures."""
import mmap
import os
import shutil
import signal
import subprocess
import tempfile
import time


class Display:
    """A screen of its own, so that nothing else takes the keys; what it shows can be read while it is shown."""

    WIDTH, HEIGHT, PIXEL = 1280, 800, 4

    def __init__(self):
        self.folder = tempfile.mkdtemp()
        reader, writer = os.pipe()
        self.server = subprocess.Popen(
            ["Xvfb", "-noreset", "-displayfd", str(writer), "-fbdir", self.folder,
             "-screen", "0", f"{self.WIDTH}x{self.HEIGHT}x24"],
            pass_fds=[writer], stderr=subprocess.DEVNULL)
        os.close(writer)
        with os.fdopen(reader) as told: # the whole line: the server ends where it cannot write it out
            self.name = ":" + told.readline().strip()
        with open(self.folder + "/Xvfb_screen0", "rb") as file:
            self.screen = mmap.mmap(file.fileno(), 0, prot=mmap.PROT_READ)

    def colours(self):
        """The colours that are shown at points 20 pixels apart; looking costs the application nothing."""
        row = self.WIDTH * self.PIXEL
        pixels = len(self.screen) - row * self.HEIGHT
        return {self.screen[at:at + 3] for y in range(0, self.HEIGHT, 20)
                for at in range(pixels + y * row, pixels + (y + 1) * row, 20 * self.PIXEL)}

    def end(self):
        self.server.terminate()
        self.server.wait()
        self.screen.close()
        shutil.rmtree(self.folder, ignore_errors=True)


class Application:
    @staticmethod
    def environment(home, display):
        """A home of its own, in which the caution was read."""
        os.makedirs(home + "/config/Brumefall", mode=0o700, exist_ok=True)
        with open(home + "/config/Brumefall/Brumefall.conf", "w") as file:
            file.write("[caution]\nread=true\n")
        return dict(os.environ, DISPLAY=display.name, HOME=home, XDG_CONFIG_HOME=home + "/config",
                    XDG_DATA_HOME=home + "/data", QT_QPA_PLATFORM="xcb", BRUMEFALL_SILENT="1", XDG_RUNTIME_DIR=home)

    def __init__(self, binary, stage, home, display):
        self.env = self.environment(home, display)
        self.process = subprocess.Popen([binary, stage], env=self.env, stdout=subprocess.DEVNULL,
                                        stderr=subprocess.DEVNULL)
        self.window = None
        until = time.monotonic() + 20
        while self.window is None and time.monotonic() < until and self.process.poll() is None:
            found = self.tool("search", "--onlyvisible", "--name", "Brumefall").split()
            self.window = found[-1] if found else None
            time.sleep(0.05)
        if self.window is None:
            raise RuntimeError(f"the application shows no window (exit: {self.process.poll()})")
        self.tool("windowfocus", "--sync", self.window)
        time.sleep(0.8)

    def tool(self, *words):
        return subprocess.run(["xdotool", *words], env=self.env, capture_output=True, text=True).stdout

    def key(self, name):
        self.tool("key", "--clearmodifiers", name)

    def kill(self):
        self.process.send_signal(signal.SIGKILL)
        self.process.wait()
        return time.time()

    def close(self):
        self.process.terminate()
        try:
            self.process.wait(20)
            return True
        except subprocess.TimeoutExpired:
            self.kill()
            return False
