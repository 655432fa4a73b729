/// The page as it is read: flowing, the present call large, what comes next below it, what is done quiet; or
/// as it is printed, turned where the plan leaves time.
#pragma once

#include "document/document.h"
#include "pages/book.h"

#include <QWidget>

#include <optional>
#include <utility>
#include <vector>

namespace brumefall::app {

class PageView : public QWidget {
    Q_OBJECT

public:
    explicit PageView(Document& document, QWidget* parent = nullptr);
    /// The stage time that decides which call is due.
    void showTime(double stage_s);
    /// The reader said this note, which ended at `end_s` from go: from now on the page follows the voice.
    void showVoice(const QString& note, double end_s);
    /// The page follows the clock again.
    void forgetVoice();
    [[nodiscard]] std::size_t currentCall() const { return current_; }
    /// What is shown of it; one way of practising differs from another by this.
    struct Look {
        bool printed = false; ///< pages as they are printed, with their turns; else one flowing page
        bool cue = true; ///< when to start each call
        bool place = true; ///< where one is
        bool dark = false; ///< nothing at all

        bool operator==(const Look&) const = default;
    };
    void setLook(const Look& look);
    [[nodiscard]] const Look& look() const { return look_; }
    /// The page before or after the one in view, by hand, until the voice or the clock turns the next.
    void turn(int by);
    /// The printed page in view, of how many; both 0 where it flows.
    [[nodiscard]] std::pair<int, int> page() const;
    /// Plans another one than the document's, until it is given null: the driver's ear.
    void setPlan(const plan::Plan* plan);
    /// How far the voice is behind the plan, in seconds; empty where nobody is followed.
    [[nodiscard]] std::optional<double> behind_s() const { return behind_s_; }
    /// How the book is wished, by the user's settings; read anew with every change of the plan.
    [[nodiscard]] const pages::Book* book() const { return book_ ? &*book_ : nullptr; }
    void paginate();

protected:
    void paintEvent(QPaintEvent* event) override;

private:
    [[nodiscard]] const plan::Plan& plan() const;
    void paintFlowing(QPainter& p) const;
    void paintPrinted(QPainter& p) const;
    [[nodiscard]] QString cueFor(const plan::PlannedCall& call) const;

    Document& document_;
    const plan::Plan* plan_ = nullptr;
    Look look_;
    std::optional<pages::Book> book_; ///< where it is shown as it is printed
    std::size_t shown_page_ = 0;
    std::size_t current_page_ = 0; ///< where the present call is
    double now_s_ = 0.0;
    std::size_t current_ = 0;
    std::size_t voice_call_ = 0; ///< what the voice says next
    std::optional<double> behind_s_;
};

} // namespace brumefall::app
