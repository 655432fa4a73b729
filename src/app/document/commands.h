/// The changes of the document that can be taken back.
#pragma once

#include "document/difference.h"
#include "document/document.h"
#include "document/trash.h"

#include <QUndoCommand>

#include <algorithm>
#include <memory>
#include <optional>
#include <utility>
#include <vector>

namespace brumefall::app {

/// What every change has: a place where it is seen, and a note that it is about. Taken back or done again, it
/// says so, so that the window can go there.
class Change : public QUndoCommand {
public:
    Change(Document& document, const QString& name, Seen where, const QString& note = {})
        : QUndoCommand(name)
        , document_(document)
        , where_(where)
        , note_(note)
    {
    }

    void undo() final
    {
        apply(false);
        emit document_.changed(QObject::tr("Undone: %1").arg(text()), where_, note_);
    }
    void redo() final
    {
        apply(true);
        if (done_) {
            emit document_.changed(QObject::tr("Done again: %1").arg(text()), where_, note_);
        }
        done_ = true;
    }

protected:
    virtual void apply(bool after) = 0;

    Document& document_;

private:
    Seen where_;
    QString note_;
    bool done_ = false;
};

/// A change of the stage. What of it is as it was is not kept twice: 300 notes are retyped letter by letter.
/// Changes with the same key merge into one.
class StageCommand : public Change {
public:
    StageCommand(Document& document, stage::Stage after, const QString& name, Seen where, int key = -1,
        const QString& note = {})
        : Change(document, name, where, note)
        , difference_(document.stage_, after, document.shared_stage_)
        , key_(key)
        , made_ms_(document.since_start_.elapsed())
    {
    }

    [[nodiscard]] int id() const override { return key_; }
    bool mergeWith(const QUndoCommand* other) override
    {
        constexpr qint64 kPause_ms = 1500;
        const auto* next = static_cast<const StageCommand*>(other);
        if (next->text() != text() || next->made_ms_ - made_ms_ > kPause_ms) {
            return false;
        }
        auto before = document_.stage_; // as `next` left it
        const auto after = before;
        next->difference_.apply(before, false);
        difference_.apply(before, false);
        difference_ = StageDifference(before, after, document_.shared_stage_);
        made_ms_ = next->made_ms_;
        return true;
    }

protected:
    void apply(bool after) override
    {
        auto stage = document_.stage_;
        difference_.apply(stage, after);
        document_.applyStage(stage);
    }

private:
    StageDifference difference_;
    int key_;
    qint64 made_ms_;
};

/// A change of one pass.
class PassCommand : public Change {
public:
    PassCommand(Document& document, const pace::Pass& after, const QString& name, const QString& note = {})
        : Change(document, name, Seen::places, note)
        , pass_(document.pass()->name)
        , difference_(*document.pass(), after, document.shared_pass_)
    {
    }

protected:
    void apply(bool after) override
    {
        for (const pace::Pass& own : document_.passes_) {
            if (own.name == pass_) {
                auto pass = own;
                difference_.apply(pass, after);
                document_.applyPass(pass);
                return;
            }
        }
    }

private:
    std::string pass_;
    PassDifference difference_;
};

/// Passes added, removed or renamed.
class PassListCommand : public Change {
public:
    PassListCommand(
        Document& document, std::vector<pace::Pass> after, std::string choose, const QString& name)
        : Change(document, name, Seen::places)
        , before_(document.passes_)
        , after_(std::move(after))
        , chosen_before_(document.pass() == nullptr ? std::string() : document.pass()->name)
        , chosen_after_(std::move(choose))
    {
    }

protected:
    void apply(bool after) override
    {
        document_.applyPasses(after ? after_ : before_, after ? chosen_after_ : chosen_before_);
        if (after_.size() == before_.size()) { // a pass got another name: its takes go with it
            document_.takesFollowPass(
                after ? chosen_before_ : chosen_after_, after ? chosen_after_ : chosen_before_);
        }
    }

private:
    std::vector<pace::Pass> before_;
    std::vector<pace::Pass> after_;
    std::string chosen_before_;
    std::string chosen_after_;
};

/// A remark of the driver about a note in a take.
class RemarkCommand : public Change {
public:
    RemarkCommand(Document& document, const stage::Take& take, const QString& note,
        std::optional<stage::Remark> says, const QString& name)
        : Change(document, name, Seen::review, note)
        , take_(take.name)
        , note_(note.toStdString())
        , after_(std::move(says))
    {
        for (const auto& remark : take.remarks) {
            if (remark.note == note_) {
                before_ = remark;
            }
        }
    }

protected:
    void apply(bool after) override { document_.applyRemark(take_, note_, after ? after_ : before_); }

private:
    std::string take_;
    std::string note_;
    std::optional<stage::Remark> before_;
    std::optional<stage::Remark> after_;
};

/// What was found in a take, corrected by hand.
class FoundCommand : public Change {
public:
    FoundCommand(Document& document, const stage::Take& take, std::vector<take::FoundNote> after,
        const QString& name, const QString& note)
        : Change(document, name, Seen::review, note)
        , take_(take.name)
        , before_(take.found)
        , after_(std::move(after))
    {
    }

protected:
    void apply(bool after) override { document_.applyFound(take_, after ? after_ : before_); }

private:
    std::string take_;
    std::vector<take::FoundNote> before_;
    std::vector<take::FoundNote> after_;
};

/// What a take is called, and the remark on it.
class TakeTextsCommand : public Change {
public:
    using Texts = std::pair<std::string, std::string>;
    TakeTextsCommand(Document& document, const stage::Take& take, Texts after, const QString& name)
        : Change(document, name, Seen::log)
        , take_(take.name)
        , before_(take.title, take.comment)
        , after_(std::move(after))
    {
    }

protected:
    void apply(bool after) override { document_.applyTakeTexts(take_, after ? after_ : before_); }

private:
    std::string take_;
    Texts before_;
    Texts after_;
};

/// A take that was removed: its files lie in the trash until it is brought back.
class TakeListCommand : public Change {
public:
    TakeListCommand(Document& document, stage::Take take, const QString& name)
        : Change(document, name, Seen::log)
        , take_(std::move(take))
    {
    }

    /// False where there is no trash: the take is then still there.
    bool remove()
    {
        const auto folder = document_.folder_ / "takes";
        if (!take_.audio.empty()
            && !recording_.put(QString::fromStdString((folder / take_.audio).string()))) {
            return false;
        }
        verdicts_.put(QString::fromStdString((folder / (take_.name + ".json")).string()));
        auto& takes = document_.takes_;
        const auto here = std::find_if(
            takes.begin(), takes.end(), [&](const stage::Take& t) { return t.name == take_.name; });
        at_ = here - takes.begin();
        if (here != takes.end()) {
            takes.erase(here);
        }
        removed_ = true;
        emit document_.takesChanged();
        return true;
    }

protected:
    void apply(bool after) override
    {
        if (after == removed_) {
            return; // the first time, it was removed by whoever made this
        }
        if (after) {
            remove();
            return;
        }
        removed_ = false;
        verdicts_.bringBack();
        if (!recording_.bringBack()) {
            emit document_.message(
                QObject::tr("The take is back, but its recording is not in the trash any more."));
        }
        auto& takes = document_.takes_;
        takes.insert(takes.begin() + std::min(at_, std::ssize(takes)), take_); // where it stood
        document_.keepTake(take_);
    }

private:
    stage::Take take_;
    std::ptrdiff_t at_ = 0; ///< in the list of takes
    TrashedFile recording_;
    TrashedFile verdicts_;
    bool removed_ = false;
};

} // namespace brumefall::app
