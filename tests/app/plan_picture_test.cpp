// The picture of the plan worked by mouse and key: both axes, calls dragged against their limits, stretches.

#include "plan/limits.h"
#include "plan_window.h"
#include "widgets/gap_view.h"

#include <QLabel>
#include <QPushButton>

#include <cmath>
#include <random>

using namespace brumefall;
using namespace brumefall::app;

namespace {

class PlanPictureTest : public support::PlanTest {
protected:
    void SetUp() override
    {
        PlanTest::SetUp();
        open("stage");
        gap_ = find<GapView>("planGap");
    }
    void choose(std::size_t note)
    {
        document().setCurrentNote(QString::fromStdString(plan().notes[note].id));
    }
    [[nodiscard]] std::size_t callOf(std::size_t note)
    {
        return static_cast<std::size_t>(plan().notes[note].call);
    }
    /// Takes the call by its middle and moves the mouse by `by_px`, in steps as a hand does.
    void drag(std::size_t call, double by_px, bool let_go = true)
    {
        const auto from = gap_->callRect(call).center().toPoint();
        QTest::mousePress(gap_, Qt::LeftButton, {}, from);
        for (int step = 1; step <= 10; ++step) {
            const QPointF at(from.x() + by_px * step / 10.0, from.y());
            QMouseEvent move(QEvent::MouseMove, at, gap_->mapToGlobal(at), Qt::NoButton, Qt::LeftButton, {});
            QApplication::sendEvent(gap_, &move);
        }
        if (let_go) {
            QTest::mouseRelease(gap_, Qt::LeftButton, {}, from + QPoint(static_cast<int>(by_px), 0));
        }
    }

    GapView* gap_ = nullptr;
};

} // namespace

TEST_F(PlanPictureTest, EveryMomentHasAPlaceOnBothAxesAndComesBack)
{
    std::mt19937 random(2);
    std::uniform_real_distribution<double> moment(-20.0, plan().calls.back().end_s + 60.0);
    for (const GapAxis axis : {GapAxis::time, GapAxis::distance}) {
        gap_->setAxis(axis);
        double last_s = -20.0;
        std::vector<double> moments;
        for (int i = 0; i < 500; ++i) {
            moments.push_back(moment(random));
        }
        std::sort(moments.begin(), moments.end());
        for (const double at_s : moments) {
            EXPECT_NEAR(gap_->scene().timeAt(gap_->scene().along(at_s)), at_s, 1e-3);
            EXPECT_GE(gap_->scene().along(at_s), gap_->scene().along(last_s));
            last_s = at_s;
        }
    }
}

TEST_F(PlanPictureTest, AKeyTurnsTheAxisAndTheSamePieceOfTheStageStaysInView)
{
    gap_->setSpan(60.0, 80.0);
    key(Qt::Key_X);
    EXPECT_EQ(gap_->scene().axis, GapAxis::distance);
    EXPECT_EQ(gap_->scene().from_s, 60.0);
    EXPECT_EQ(gap_->scene().to_s, 80.0);
    EXPECT_TRUE(find<QPushButton>("planAxis")->text().contains(QStringLiteral("In seconds")));
    // along the road a call is as long as the way that the car goes while it is said
    const auto& pace = document().prepared().placement.pace;
    const auto& call = plan().calls[callOf(12)];
    gap_->setSpan(call.start_s - 5.0, call.start_s + 10.0);
    const double metres = pace.stationAt(call.end_s) - pace.stationAt(call.start_s);
    const double shown_m = pace.stationAt(call.start_s + 10.0) - pace.stationAt(call.start_s - 5.0);
    EXPECT_NEAR(gap_->callRect(callOf(12)).width() / gap_->width(), metres / shown_m, 0.01);
    key(Qt::Key_X);
    EXPECT_EQ(gap_->scene().axis, GapAxis::time);
}

TEST_F(PlanPictureTest, ANoteIsChosenWhereItIsDrawnOnBothAxes)
{
    for (int turn = 0; turn < 2; ++turn) {
        choose(10);
        gap_->setSpan(plan().notes[14].start_s - 6.0, plan().notes[14].start_s + 6.0);
        const auto layout = gapLayout(gap_->scene(), gap_->rect());
        const double x = gap_->width() * gap_->scene().shareAt(plan().notes[14].arrive_s);
        const QPoint there(static_cast<int>(x), static_cast<int>(layout.road.center().y()));
        if (gap_->rect().contains(there)) {
            QTest::mouseClick(gap_, Qt::LeftButton, {}, there);
            EXPECT_EQ(document().currentNote().toStdString(), plan().notes[14].id);
        }
        key(Qt::Key_X);
    }
}

TEST_F(PlanPictureTest, ADraggedCallIsShownWhereItWouldBeAndIsPutThere)
{
    const std::size_t call = callOf(14);
    const double start_s = plan().calls[call].start_s;
    gap_->setSpan(start_s - 6.0, start_s + 8.0);
    drag(call, -60.0, false);
    ASSERT_TRUE(gap_->scene().dragged);
    const double shown_s = gap_->scene().dragged->start_s;
    EXPECT_LT(shown_s, start_s - 0.2);
    EXPECT_FALSE(plan().notes[plan().calls[call].first].pinned) << "not before it is let go";
    QTest::mouseRelease(gap_, Qt::LeftButton, {}, gap_->callRect(call).center().toPoint() + QPoint(-60, 0));
    EXPECT_FALSE(gap_->scene().dragged);
    EXPECT_NEAR(plan().calls[call].start_s, shown_s, 0.05);
    EXPECT_TRUE(plan().notes[plan().calls[call].first].pinned);
}

TEST_F(PlanPictureTest, ADraggedCallIsHeldAtTheEndOfItsWindow)
{
    const std::size_t call = callOf(14);
    const auto limits = plan::callLimits(plan(), call);
    const double start_s = plan().calls[call].start_s;
    gap_->setSpan(start_s - 4.0, start_s + 12.0);
    const double to_limit_px =
        gap_->width() * (gap_->scene().shareAt(limits.latest_s) - gap_->scene().shareAt(start_s));
    ASSERT_GT(to_limit_px, 10.0);
    drag(call, to_limit_px + 5.0); // a little beyond
    EXPECT_NEAR(plan().calls[call].start_s, limits.latest_s, 1e-6);
    document().undoStack().undo();
    drag(call, to_limit_px + 40.0); // far beyond: it can be done
    EXPECT_GT(plan().calls[call].start_s, limits.latest_s + 0.1);
}

TEST_F(PlanPictureTest, TheKeysStopAtTheLimitFirstAndGoBeyondOnceMore)
{
    choose(14);
    const std::size_t call = callOf(14);
    const double latest_s = plan::callLimits(plan(), call).latest_s;
    int presses = 0;
    while (plan().calls[call].start_s < latest_s - 1e-6 && presses < 200) {
        key(Qt::Key_Period);
        ++presses;
    }
    EXPECT_NEAR(plan().calls[call].start_s, latest_s, 1e-6);
    EXPECT_TRUE(message().contains(QStringLiteral("As late as"))) << message().toStdString();
    key(Qt::Key_Period);
    EXPECT_NEAR(plan().calls[call].start_s, latest_s + 0.1, 1e-6);
    EXPECT_TRUE(find<QLabel>("planChosen")->text().contains(QStringLiteral("too late"))
        || plan().notes[14].status == plan::Status::on_time)
        << "the call's tightest note may be another one";
}

TEST_F(PlanPictureTest, UpAndDownGoFromNoteToNote)
{
    choose(5);
    key(Qt::Key_Up);
    EXPECT_EQ(document().currentNote().toStdString(), plan().notes[6].id);
    key(Qt::Key_Down);
    key(Qt::Key_Down);
    EXPECT_EQ(document().currentNote().toStdString(), plan().notes[4].id);
    choose(0);
    key(Qt::Key_Down);
    EXPECT_EQ(document().currentNote().toStdString(), plan().notes[0].id) << "stays at the first";
}

TEST_F(PlanPictureTest, AStretchIsWishedEarlierTogetherAndEscapeLetsItGo)
{
    choose(8);
    for (int i = 0; i < 3; ++i) {
        key(Qt::Key_Up, Qt::ShiftModifier);
    }
    EXPECT_EQ(gap_->scene().stretch, std::pair(std::size_t{8}, std::size_t{12}));
    EXPECT_TRUE(find<QLabel>("planChosen")->text().contains(QStringLiteral("Notes 9 to 12")));
    key(Qt::Key_E);
    EXPECT_EQ(document().stage().shaping.lead_offset_s.size(), 4U);
    EXPECT_NEAR(document().stage().shaping.lead_offset_s.at(plan().notes[10].id), 0.1, 1e-9);
    key(Qt::Key_Escape);
    EXPECT_EQ(gap_->scene().stretch, (std::pair<std::size_t, std::size_t>{}));
    key(Qt::Key_E);
    EXPECT_NEAR(document().stage().shaping.lead_offset_s.at(plan().notes[11].id), 0.2, 1e-9)
        << "now the chosen note alone";
    EXPECT_NEAR(document().stage().shaping.lead_offset_s.at(plan().notes[10].id), 0.1, 1e-9);
}

TEST_F(PlanPictureTest, AStretchIsLeftBehindWhenAnotherNoteIsChosenElsewhere)
{
    choose(8);
    key(Qt::Key_Up, Qt::ShiftModifier);
    ASSERT_EQ(gap_->scene().stretch, std::pair(std::size_t{8}, std::size_t{10}));
    document().setCurrentNote(QString::fromStdString(plan().notes[2].id)); // as the road at the left does
    EXPECT_EQ(gap_->scene().stretch, (std::pair<std::size_t, std::size_t>{}));
    key(Qt::Key_E);
    EXPECT_EQ(document().stage().shaping.lead_offset_s.size(), 1U) << "of the note chosen, and no other";
}

TEST_F(PlanPictureTest, AStretchIsMadeWithShiftAndAClick)
{
    choose(10);
    gap_->setSpan(plan().notes[10].start_s - 4.0, plan().notes[13].end_s + 4.0);
    const auto layout = gapLayout(gap_->scene(), gap_->rect());
    const auto& note = plan().notes[13];
    const double x = gap_->width() * gap_->scene().shareAt(0.5 * (note.start_s + note.end_s));
    QTest::mouseClick(gap_, Qt::LeftButton, Qt::ShiftModifier,
        QPoint(static_cast<int>(x), static_cast<int>(layout.voice.bottom()) + 4));
    EXPECT_EQ(gap_->scene().stretch, std::pair(std::size_t{10}, std::size_t{14}));
}

TEST_F(PlanPictureTest, IsPaintedOnBothAxesWithAStretchAndADraggedCall)
{
    for (const GapAxis axis : {GapAxis::time, GapAxis::distance}) {
        gap_->setAxis(axis);
        gap_->setSpan(plan().notes[8].start_s - 5.0, plan().notes[8].start_s + 12.0);
        const QImage plain = gap_->grab().toImage();
        gap_->scene().stretch = {8, 10};
        const QImage stretched = gap_->grab().toImage();
        EXPECT_NE(plain, stretched);
        gap_->scene().dragged = GapScene::Dragged{callOf(8), plan().calls[callOf(8)].start_s + 1.0};
        EXPECT_NE(gap_->grab().toImage(), stretched);
        gap_->scene().stretch = {};
        gap_->scene().dragged.reset();
    }
}
