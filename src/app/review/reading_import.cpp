#include "review/reading_import.h"

#include "read/take_recorder.h"

#include <QDateTime>
#include <QFileDialog>
#include <QFileInfo>

#include <cmath>
#include <filesystem>

namespace brumefall::app {

ReadingImport::ReadingImport(Document& document, QObject* parent)
    : QObject(parent)
    , document_(document)
{
    // it is a reading of the stage that was open
    connect(&document_, &Document::opened, this, [this] { importing_.cancel(); });
}

/// A sound from the car, an intercom, a phone, or the onboard itself, judged like a take.
void ReadingImport::ask(QWidget* over)
{
    const QString file = QFileDialog::getOpenFileName(
        over, tr("A reading of this stage: sound or video"), document_.folderOfFiles());
    if (!file.isEmpty()) {
        take(file);
    }
}

void ReadingImport::take(const QString& file)
{
    if (document_.prepared().plan.notes.empty()) {
        emit document_.message(tr("There are no notes to judge a reading by. Write them first (F1)."));
        return;
    }
    struct Imported {
        media::Sound sound;
        media::ReadingElsewhere reading;
    };
    const auto* pass = document_.pass();
    // what it is judged by is kept with it, whatever is edited meanwhile
    stage::Take take;
    take.pass = pass == nullptr ? "" : pass->name;
    take.reader = QFileInfo(file).fileName().toStdString();
    take.plan = document_.prepared().plan;
    take.pace = document_.prepared().placement.pace;
    emit document_.goesOn(tr("Finding the calls in %1\u2026").arg(QFileInfo(file).fileName()));
    importing_ = inBackground(
        this,
        [prepared = document_.prepared(), file, onboard = document_.mediaFile(),
            go_s = pass == nullptr ? 0.0 : pass->go_s](const media::Progress& progress) {
            auto sound = media::decodeSound(file.toStdString(), media::kRecordingRate_hz, progress);
            // the onboard's own sound lies where the onboard lies
            const bool own = QFileInfo(file) == QFileInfo(onboard);
            auto reading = media::judgeElsewhere(prepared, sound, own ? std::optional(go_s) : std::nullopt,
                onboard.toStdString(), go_s, progress);
            return Imported{std::move(sound), std::move(reading)};
        },
        [this, file, take = std::move(take)](Outcome<Imported> imported) {
            emit document_.goesOn({});
            if (!imported.value) {
                emit document_.cameOut(imported.why);
            } else if (imported.value->reading.laid_by == media::LaidBy::nothing) {
                emit document_.cameOut(tr("%1 is not judged: %2.")
                                           .arg(QFileInfo(file).fileName(),
                                               QString::fromStdString(imported.value->reading.says)));
            } else {
                keep(take, imported.value->sound, imported.value->reading);
            }
        },
        [this, file](double share) {
            emit document_.goesOn(tr("Finding the calls in %1: %2 %")
                                      .arg(QFileInfo(file).fileName())
                                      .arg(std::lround(100.0 * share)));
        });
}

void ReadingImport::keep(stage::Take take, const media::Sound& sound, const media::ReadingElsewhere& reading)
{
    take.name = takeNameNow().toStdString();
    take.made_at = QDateTime::currentDateTime().toString(Qt::ISODate).toStdString();
    take.clock = reading.clock;
    take.recorded_s = reading.recorded_s;
    take.found = reading.found;
    take.verdicts = reading.verdicts;
    take.audio = take.name + ".flac";
    try {
        const auto folder = document_.folder() / "takes";
        std::error_code ignored;
        std::filesystem::create_directories(folder, ignored);
        media::SoundWriter writer(folder / take.audio, sound.rate_hz);
        writer.write(sound.samples);
        writer.close();
    } catch (const media::MediaError& error) {
        emit document_.cameOut(QString::fromStdString(error.what()));
        return;
    }
    document_.keepTake(take);
    emit kept(QString::fromStdString(take.name));
    emit document_.cameOut(
        tr("%1 is judged: %2.")
            .arg(QString::fromStdString(take.reader), QString::fromStdString(reading.says)));
}

} // namespace brumefall::app
