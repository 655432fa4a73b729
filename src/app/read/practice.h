/// One evening's go at practising, in the way that was chosen: what is played, recorded, hidden and done
/// again.
#pragma once

#include "document/document.h"
#include "media/input.h"
#include "read/drivers_ear_session.h"
#include "read/take_recorder.h"
#include "take/practice.h"
#include "widgets/background.h"
#include "widgets/transport.h"

#include <QObject>

#include <functional>
#include <memory>

namespace brumefall::app {

inline constexpr double kCountDown_s = 3.0; ///< before the first note

class Practice : public QObject {
    Q_OBJECT

public:
    struct Wish {
        take::Way way = take::Way::guided;
        double rate = 1.0; ///< of the pace
        std::size_t first = 0; ///< notes of the plan to read, one past the last; from here on where empty
        std::size_t last = 0;
        int clean = 3; ///< readings in a row that end a stretch
        bool noise = false; ///< a car's, under it
    };
    /// Whoever reads: `ready` is given the voice once it is there.
    using Reader = std::function<void(
        const TakeRecorder::Wish& wish, std::function<void(std::unique_ptr<media::VoiceInput>)> ready)>;

    Practice(Document& document, Transport& transport, TakeRecorder& recorder, Reader reader,
        QObject* parent = nullptr);

    void begin(const Wish& wish);
    /// Stops what goes on; what was recorded is judged.
    void end();
    /// Throws the take that is read away; nothing more follows.
    void discard();
    /// Begins anew what was begun last, with the same notes; a take that is read then is thrown away.
    void again();

    enum class State { idle, listening, preparing, reading, judging };
    [[nodiscard]] State state() const { return state_; }
    [[nodiscard]] bool isOn() const { return state_ != State::idle || ear_.isOn(); }
    /// After the take that was judged now, another of the same stretch follows by itself.
    [[nodiscard]] bool goesOn() const { return state_ != State::idle && readings_ > 1; }
    [[nodiscard]] bool canBeginAgain() const { return begun_; }
    [[nodiscard]] bool isDark() const { return dark_; }
    [[nodiscard]] bool isPlaceHidden() const { return place_hidden_; }
    [[nodiscard]] const Wish& wish() const { return wish_; }
    [[nodiscard]] const take::Stretch& stretch() const { return stretch_; }
    [[nodiscard]] int cleanInARow() const { return clean_; }
    [[nodiscard]] DriversEarSession& ear() { return ear_; }
    [[nodiscard]] const DriversEarSession& ear() const { return ear_; }
    /// What came of it, in words; kept until the next begins.
    [[nodiscard]] const QString& result() const { return result_; }
    /// Makes what is left to chance the same again; for tests.
    void setSeed(std::uint32_t seed) { seed_ = seed; }

signals:
    void changed();
    void failed(const QString& why);

private:
    void choose();
    void start();
    void listen();
    void record();
    void heardNote(const QString& id, double end_s);
    void judged(const QString& take);
    void showTime(double stage_s);
    void finish(const QString& result);
    void playNoise();
    [[nodiscard]] QString darkResult(const stage::Take& take) const;

    Document& document_;
    Transport& transport_;
    TakeRecorder& recorder_;
    Reader reader_;
    DriversEarSession ear_;
    Wish wish_;
    State state_ = State::idle;
    take::Stretch stretch_;
    std::vector<take::Span> dark_spans_;
    bool begun_ = false;
    bool dark_ = false;
    bool place_hidden_ = false;
    int clean_ = 0;
    int empty_ = 0; ///< readings in a row in which nothing was heard
    int readings_ = 0;
    std::optional<std::uint32_t> seed_;
    QString result_;
    int asked_ = 0; ///< voices asked for: one that comes too late is not used
    Job voice_;
};

} // namespace brumefall::app
