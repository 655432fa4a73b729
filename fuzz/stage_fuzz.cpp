// Any bytes as a stage file, a pass, a style, a take or a driver: read, or refused with a FormatError.

#include "formats/files.h"
#include "formats/notes_json.h"
#include "stage/stage.h"

#include <cstdint>
#include <fstream>
#include <unistd.h>

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size)
{
    static const std::filesystem::path file =
        std::filesystem::path(std::filesystem::exists("/dev/shm") ? "/dev/shm" : "/tmp")
        / ("brumefall-fuzz-" + std::to_string(getpid()) + ".json");
    std::ofstream(file, std::ios::binary)
        .write(reinterpret_cast<const char*>(data), static_cast<std::streamsize>(size));
    using namespace brumefall;
    try {
        const auto stage = stage::readStage(file);
        static_cast<void>(stage::prepare(stage, nullptr));
    } catch (const formats::FormatError&) {
    }
    try {
        const auto pass = stage::readPass(file);
        stage::Stage stage;
        stage.text = "left four 60\nright three 50";
        static_cast<void>(stage::prepare(stage, &pass));
    } catch (const formats::FormatError&) {
    }
    try {
        stage::Stage stage;
        stage.style = formats::readStyle(file);
        stage.text = "left four 60\nbullet right three 50";
        static_cast<void>(stage::prepare(stage, nullptr));
    } catch (const formats::FormatError&) {
    }
    try {
        static_cast<void>(stage::readTake(file));
    } catch (const formats::FormatError&) {
    }
    try {
        stage::Stage stage;
        stage.driver = stage::readDriver(file);
        stage.text = "left four 60\nright three 50";
        static_cast<void>(stage::prepare(stage, nullptr));
    } catch (const formats::FormatError&) {
    }
    return 0;
}
