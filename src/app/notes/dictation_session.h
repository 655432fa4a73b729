/// Notes dictated into a microphone become lines of the notes, a breath each, as they are said.
#pragma once

#include "captions/dictated.h"
#include "document/document.h"
#include "media/input.h"

#include <QObject>
#include <QThreadPool>

#include <memory>
#include <string>
#include <vector>

namespace brumefall::app {

class DictationSession : public QObject {
    Q_OBJECT

public:
    explicit DictationSession(Document& document, QObject* parent = nullptr);
    ~DictationSession() override;

    /// Listens to `input` until it is stopped, another stage is opened or the input fails.
    void start(std::unique_ptr<media::VoiceInput> input);
    /// What was said before is still heard to its end.
    void stop();
    [[nodiscard]] bool isOn() const { return input_ != nullptr; }

signals:
    void onChanged(bool on);
    void lineAdded();

private:
    class Ear;
    void takeSamples(const QByteArray& bytes);
    void hear(bool last);
    void takeBreath(const captions::Dictated& breath);
    void takeBack();
    void endInput();

    /// The notes before and after a breath was added to them.
    struct Added {
        std::string before;
        std::string after;
        std::string line;
    };

    Document& document_;
    std::unique_ptr<media::VoiceInput> input_;
    std::shared_ptr<Ear> ear_;
    QByteArray waiting_; ///< too little yet to be worth a task
    std::vector<Added> added_;
    double loudest_ = 0.0;
    double heard_s_ = 0.0;
    bool told_silent_ = false;
    QThreadPool pool_; ///< one part after another
};

} // namespace brumefall::app
