#include "theme/theme.h"
#include "widgets/gap_cascade.h"
#include "widgets/gap_picture.h"
#include "widgets/signs.h"

#include <QFontMetricsF>
#include <QImage>
#include <QPainter>

#include <gtest/gtest.h>

using namespace brumefall;
using namespace brumefall::app;

namespace {

stage::Prepared preparedStage()
{
    stage::Stage stage;
    stage.text = "150 left four 60\ncaution hairpin right 80\nright six 150\nleft two into right three";
    return stage::prepare(stage, nullptr);
}

QImage draw(const GapScene& scene, const Theme& theme = Theme::paper())
{
    QImage image(900, 360, QImage::Format_RGB32);
    QPainter painter(&image);
    paintGap(painter, image.rect(), scene, theme);
    return image;
}

/// How many pixels of a column between two heights are as dark as ink.
int inkIn(const QImage& image, const QRectF& where)
{
    int dark = 0;
    for (int y = static_cast<int>(where.top()); y < static_cast<int>(where.bottom()); ++y) {
        for (int x = std::max(0, static_cast<int>(where.left()));
             x < std::min(image.width(), static_cast<int>(where.right())); ++x) {
            dark += qGray(image.pixel(x, y)) < 90 ? 1 : 0;
        }
    }
    return dark;
}

/// The height of the road's middle line at `x`: the darkest pixel of the rail.
int roadAt(const QImage& image, const GapLayout& layout, int x)
{
    int best = 255;
    int at = 0;
    for (int y = static_cast<int>(layout.road.top()) - 40; y < static_cast<int>(layout.road.bottom()) - 24;
         ++y) {
        if (const int gray = qGray(image.pixel(x, y)); gray < best) {
            best = gray;
            at = y;
        }
    }
    return at;
}

} // namespace

TEST(GapPicture, ACallIsAStripWhereItIsSpoken)
{
    const auto prepared = preparedStage();
    GapScene scene;
    scene.prepared = &prepared;
    scene.plan = &prepared.plan;
    scene.from_s = prepared.plan.calls[1].start_s - 5.0;
    scene.to_s = scene.from_s + 15.0;
    const auto image = draw(scene);
    const auto layout = gapLayout(scene, image.rect());
    const auto x = [&](double t) { return 900.0 * (t - scene.from_s) / 15.0; };
    const auto& call = prepared.plan.calls[1];
    EXPECT_GT(
        inkIn(image,
            {x(call.start_s), layout.voice.top(), x(call.end_s) - x(call.start_s), layout.voice.height()}),
        100);
    const double before = x(call.start_s) - 60.0;
    EXPECT_EQ(inkIn(image, {before, layout.voice.top(), 40.0, layout.voice.height()}), 0)
        << "nobody speaks there";
}

TEST(GapPicture, TheRoadBendsUpForALeftAndDownForARight)
{
    const auto prepared = preparedStage();
    GapScene scene;
    scene.prepared = &prepared;
    scene.plan = &prepared.plan;
    scene.windows = false;
    scene.figures = false;
    const auto middleOf = [&](std::size_t k) {
        const auto& place = prepared.placement.notes[k];
        const double out_s =
            prepared.placement.pace.timeAt(place.station_m + prepared.road.notes[k].length_m);
        scene.from_s = place.arrive_s - 3.0;
        scene.to_s = place.arrive_s + 12.0;
        const auto image = draw(scene);
        const auto layout = gapLayout(scene, image.rect());
        const int x = static_cast<int>(900.0 * (0.5 * (place.arrive_s + out_s) - scene.from_s) / 15.0);
        return roadAt(image, layout, x) - static_cast<int>(layout.road.center().y() - 6);
    };
    EXPECT_LT(middleOf(0), -5) << "left four";
    EXPECT_GT(middleOf(1), 15) << "hairpin right";
    EXPECT_GT(middleOf(1), middleOf(2)) << "a hairpin bends more than a six";
}

TEST(GapPicture, TheLampIsDrawnForNowAndNothingElse)
{
    const auto prepared = preparedStage();
    GapScene scene;
    scene.prepared = &prepared;
    scene.plan = &prepared.plan;
    scene.from_s = 0.0;
    scene.to_s = 20.0;
    const auto lampPixels = [](const QImage& image) {
        int count = 0;
        for (int y = 0; y < image.height(); ++y) {
            for (int x = 0; x < image.width(); ++x) {
                count += image.pixelColor(x, y) == Theme::paper().lamp ? 1 : 0;
            }
        }
        return count;
    };
    EXPECT_EQ(lampPixels(draw(scene)), 0);
    scene.now_s = 10.0;
    EXPECT_GT(lampPixels(draw(scene)), 200);
}

/// Every word of every note at every moment of the stage: `across_s` seconds in `size`.
void expectWordsWhole(const stage::Prepared& prepared, QSizeF size, double across_s, bool take)
{
    GapScene scene;
    scene.prepared = &prepared;
    scene.plan = &prepared.plan;
    std::vector<take::Verdict> verdicts(prepared.plan.notes.size());
    scene.verdicts = take ? &verdicts : nullptr;
    const QRectF rect({0.0, 0.0}, size);
    for (double from_s = -5.0; from_s < prepared.plan.notes.back().end_s; from_s += 2.3) {
        scene.from_s = from_s;
        scene.to_s = from_s + across_s;
        const auto cascade = cascadeOf(scene, rect);
        const auto layout = gapLayout(scene, rect);
        for (std::size_t i = 0; i < cascade.size(); ++i) {
            const auto& note = cascade[i];
            ASSERT_NE(note.letter_size, 0) << "no room for " << note.own.toStdString() << " at " << from_s
                                           << " s in " << size.width() << " x " << size.height();
            if (note.words.isEmpty()) {
                continue; // the edge of the picture would cut it
            }
            const QString all = note.own + (note.after.isEmpty() ? "" : " " + note.after);
            EXPECT_GE(
                note.words.width() + 0.5, QFontMetricsF(typeface(note.letter_size)).horizontalAdvance(all));
            EXPECT_GE(note.words.height(),
                QFontMetricsF(typeface(note.letter_size))
                    .tightBoundingRect(QStringLiteral("Hlgpy'"))
                    .height());
            EXPECT_TRUE(rect.contains(note.words));
            EXPECT_LE(note.bar.bottom(), layout.voice.bottom() + 0.5);
            EXPECT_NEAR(note.words.left(), note.bar.left(), 0.5) << "where it begins to be said";
            for (std::size_t j = 0; j < i; ++j) {
                EXPECT_FALSE(cascade[j].words.intersects(note.words))
                    << cascade[j].own.toStdString() << " / " << note.own.toStdString();
            }
        }
    }
}

/// Twenty-four notes a minute, in calls of up to four.
stage::Prepared denseStage()
{
    stage::Stage stage;
    for (int i = 0; i < 15; ++i) {
        stage.text += "left four long into right three tightens over crest 60\n"
                      "caution hairpin left don't cut 30 right five into left two opens and right six 40\n";
    }
    const auto notes = stage::understand(stage).calls;
    std::size_t count = 0;
    for (const auto& call : notes) {
        count += call.notes.size();
    }
    return stage::prepare(stage, nullptr, static_cast<double>(count) / 24.0 * 60.0);
}

TEST(GapCascade, EveryWordIsWholeAndUprightUpToTwentySecondsAcross)
{
    const std::filesystem::path demo = DEMO_FOLDER;
    const auto stage = stage::readStage(demo / "stage.brumefall");
    const auto pass = stage::readPass(demo / "passes" / "stage.json");
    for (const auto& prepared : {stage::prepare(stage, &pass), denseStage()}) {
        for (const double across_s : {8.0, 14.0, 20.0}) {
            expectWordsWhole(prepared, {836, 396}, across_s, false); // in Plan at 1280 x 800
            expectWordsWhole(prepared, {1144, 254}, across_s, true); // in Review
        }
        expectWordsWhole(prepared, {683, 250}, 14.0, false); // in Read, as it opens
        expectWordsWhole(prepared, {683, 250}, 20.0, false);
    }
}

TEST(GapCascade, TheNotesOfACallStepDownAndTheNextCallBeginsAtTheTop)
{
    const auto prepared = preparedStage();
    GapScene scene;
    scene.prepared = &prepared;
    scene.plan = &prepared.plan;
    scene.from_s = prepared.plan.calls.back().start_s - 2.0;
    scene.to_s = scene.from_s + 16.0;
    const auto cascade = cascadeOf(scene, {0, 0, 900, 360});
    const auto layout = gapLayout(scene, {0, 0, 900, 360});
    ASSERT_GE(cascade.size(), 2U);
    const auto& first = cascade[cascade.size() - 2];
    const auto& second = cascade.back();
    EXPECT_EQ(first.own, QStringLiteral("left two"));
    EXPECT_EQ(second.own, QStringLiteral("into right three"));
    EXPECT_EQ(first.words.top(), layout.voice.top());
    EXPECT_NEAR(second.words.top() - first.words.top(), layout.row_height, 0.1);
    // where a note stands is the same wherever the picture has moved to
    scene.from_s += 1.3;
    scene.to_s += 1.3;
    const auto moved = cascadeOf(scene, {0, 0, 900, 360});
    EXPECT_EQ(moved.back().words.top(), second.words.top());
    EXPECT_NEAR(second.words.left() - moved.back().words.left(), 900.0 * 1.3 / 16.0, 0.1);
}

TEST(GapPicture, AnEmptyPlanSaysWhatToDoNext)
{
    const auto image = draw(GapScene{});
    EXPECT_GT(inkIn(image, QRectF(0, 150, 900, 60)), 0);
}

TEST(VerdictSign, TellsByPlaceAndShapeNotByColour)
{
    const auto sign = [](take::Timing timing) {
        QImage image(96, 26, QImage::Format_RGB32);
        image.fill(Theme::paper().raised);
        QPainter painter(&image);
        take::Verdict verdict;
        verdict.timing = timing;
        paintVerdict(painter, image.rect(), verdict, Theme::paper());
        painter.end();
        return image;
    };
    const auto third = [](const QImage& image, int place) {
        return inkIn(image, QRectF(32.0 * place, 0, 32, 26));
    };
    const auto early = sign(take::Timing::early);
    const auto on_time = sign(take::Timing::on_time);
    const auto late = sign(take::Timing::late);
    const auto missed = sign(take::Timing::missed);
    EXPECT_GT(third(early, 0), third(early, 1));
    EXPECT_GT(third(on_time, 1), 150);
    EXPECT_EQ(third(on_time, 0), 0);
    EXPECT_GT(third(late, 2), third(late, 1));
    EXPECT_LT(third(late, 2), third(on_time, 1)) << "hatched, not solid";
    EXPECT_LT(third(missed, 1), 80) << "a gap";
    for (const auto* image : {&early, &on_time, &late, &missed}) {
        for (int y = 0; y < image->height(); ++y) {
            for (int x = 0; x < image->width(); ++x) {
                EXPECT_LT(image->pixelColor(x, y).hsvSaturation(), 90);
            }
        }
    }
}

TEST(Themes, InkIsReadableOnEveryGround)
{
    const auto luminance = [](const QColor& c) {
        const auto channel = [](double v) {
            return v <= 0.04045 ? v / 12.92 : std::pow((v + 0.055) / 1.055, 2.4);
        };
        return 0.2126 * channel(c.redF()) + 0.7152 * channel(c.greenF()) + 0.0722 * channel(c.blueF());
    };
    const auto contrast = [&](const QColor& a, const QColor& b) {
        const double low = std::min(luminance(a), luminance(b));
        const double high = std::max(luminance(a), luminance(b));
        return (high + 0.05) / (low + 0.05);
    };
    for (const auto& theme : {Theme::paper(), Theme::nightRoom()}) {
        for (const auto& ground : {theme.ground, theme.panel, theme.raised, theme.shelf}) {
            EXPECT_GT(contrast(theme.ink, ground), 7.0);
        }
        for (const auto& ground : {theme.ground, theme.panel, theme.raised}) {
            EXPECT_GT(contrast(theme.quiet, ground), 4.5) << "no grey on grey";
        }
    }
}
