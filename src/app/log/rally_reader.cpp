#include "log/rally_reader.h"

namespace brumefall::app {

RallyReader::RallyReader(Document& document, QObject* parent)
    : QObject(parent)
    , document_(document)
{
}

void RallyReader::read()
{
    if (!document_.isOpen()) {
        return;
    }
    document_.save(); // what is on the disk is what is read
    reading_ = inBackground(
        this,
        [folder = document_.folder()](
            const media::Progress&) { return log::readRally(log::rallyFolder(folder)); },
        [this](Outcome<log::Rally> outcome) {
            if (outcome.value) {
                rally_ = std::move(*outcome.value);
            } else {
                rally_ = {};
                rally_.problem = outcome.why.toStdString();
            }
            emit changed();
        });
}

int RallyReader::openStage() const
{
    std::error_code error;
    for (std::size_t s = 0; s < rally_.stages.size(); ++s) {
        if (std::filesystem::equivalent(rally_.stages[s].folder, document_.folder(), error)) {
            return static_cast<int>(s);
        }
    }
    return -1;
}

} // namespace brumefall::app
