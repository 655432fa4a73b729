// Any bytes as a package of a stage: unpacked into its folder and nowhere else, or refused with a FormatError and
// nothing left.

#include "export/package.h"
#include "formats/files.h"

#include <cstdint>
#include <cstdlib>
#include <fstream>

extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size)
{
    using namespace brumefall;
    namespace fs = std::filesystem;
    static const fs::path kScratch = [] {
        std::string name = fs::exists("/dev/shm") ? "/dev/shm/brumefall-fuzz-XXXXXX" : "/tmp/brumefall-fuzz-XXXXXX";
        return fs::path(mkdtemp(name.data()));
    }();
    const auto package = kScratch / "package.zip";
    std::ofstream(package, std::ios::binary).write(reinterpret_cast<const char*>(data), static_cast<long>(size));
    const auto into = kScratch / "into";
    fs::create_directory(into);
    try {
        const auto folder = exporting::unpack(package, into);
        if (folder.parent_path() != into) {
            std::abort();
        }
        fs::remove_all(folder);
    } catch (const formats::FormatError&) {
    }
    if (!fs::is_empty(into)) {
        std::abort();
    }
    std::size_t beside = 0;
    for (auto it = fs::directory_iterator(kScratch); it != fs::directory_iterator(); ++it) {
        ++beside;
    }
    if (beside != 2) {
        std::abort();
    }
    return 0;
}
