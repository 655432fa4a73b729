#include "log/trends_page.h"

#include "theme/theme.h"
#include "widgets/keys.h"
#include "widgets/panels.h"

#include <QChart>
#include <QChartView>
#include <QEvent>
#include <QLegendMarker>
#include <QLineSeries>
#include <QScatterSeries>
#include <QValueAxis>

#include <algorithm>
#include <array>
#include <cmath>
#include <map>

namespace brumefall::app {
namespace {

struct FigureWords {
    QString name;
    QString unit;
    int decimals;
};

FigureWords wordsOf(log::Figure figure)
{
    switch (figure) {
    case log::Figure::on_time: return {QObject::tr("notes on time"), QObject::tr("%"), 0};
    case log::Figure::late: return {QObject::tr("notes late"), QObject::tr("%"), 0};
    case log::Figure::missed: return {QObject::tr("notes missed"), QObject::tr("%"), 0};
    case log::Figure::misread: return {QObject::tr("notes misread"), QObject::tr("%"), 0};
    case log::Figure::lead_error:
        return {QObject::tr("lead beyond the planned one, median"), QObject::tr("s"), 2};
    case log::Figure::rate: return {QObject::tr("rate while speaking"), QObject::tr("syllables a second"), 1};
    case log::Figure::drift: return {QObject::tr("drift behind the plan"), QObject::tr("s a minute"), 2};
    }
    return {};
}

constexpr std::array kStrokes{Qt::SolidLine, Qt::DashLine, Qt::DotLine, Qt::DashDotLine, Qt::DashDotDotLine};
constexpr std::array kShapes{QScatterSeries::MarkerShapeCircle, QScatterSeries::MarkerShapeRectangle,
    QScatterSeries::MarkerShapeTriangle, QScatterSeries::MarkerShapeRotatedRectangle,
    QScatterSeries::MarkerShapePentagon};

void dress(QValueAxis* axis, const Theme& t)
{
    axis->setLabelsFont(typeface(type::kSmall));
    axis->setTitleFont(typeface(type::kSmall));
    axis->setLabelsColor(t.quiet);
    axis->setTitleBrush(t.quiet);
    axis->setGridLineColor(t.line);
    axis->setLinePenColor(t.line);
}

} // namespace

TrendsPage::TrendsPage(QWidget* parent)
    : QWidget(parent)
    , figure_(new QComboBox)
    , of_(new QComboBox)
    , says_(new QLabel)
    , chart_(new QChartView)
{
    setObjectName(QStringLiteral("trendsPage"));
    figure_->setObjectName(QStringLiteral("trendFigure"));
    figure_->setAccessibleName(tr("The figure that is shown"));
    for (int i = 0; i < log::kFigures; ++i) {
        figure_->addItem(wordsOf(static_cast<log::Figure>(i)).name);
    }
    of_->setObjectName(QStringLiteral("trendOf"));
    of_->setAccessibleName(tr("Of this stage, or of the rally"));
    of_->addItems({tr("of this stage"), tr("of the rally")});
    says_->setObjectName(QStringLiteral("trendSays"));
    says_->setWordWrap(true);
    chart_->setObjectName(QStringLiteral("trendChart"));
    chart_->setAccessibleName(tr("The figure, take after take"));
    chart_->setRenderHint(QPainter::Antialiasing);
    chart_->setMinimumHeight(120);
    auto* head = new QHBoxLayout;
    head->addWidget(figure_);
    head->addWidget(of_);
    bindButton(addButton(head, tr("Take before"), "trendBefore", [this] { step(-1); }),
        QKeyCombination(Qt::Key_Comma));
    bindButton(addButton(head, tr("Take after"), "trendAfter", [this] { step(1); }),
        QKeyCombination(Qt::Key_Period));
    bindButton(addButton(head, tr("Open in Review"), "trendOpen", [this] { openChosen(); }),
        QKeyCombination(Qt::Key_O));
    head->addStretch();
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->addLayout(head);
    layout->addWidget(chart_, 1);
    layout->addWidget(says_);
    connect(figure_, &QComboBox::currentIndexChanged, this, &TrendsPage::draw);
    connect(of_, &QComboBox::currentIndexChanged, this, &TrendsPage::draw);
}

void TrendsPage::show(const log::Rally& rally, int open, const log::Filter& filter)
{
    rally_ = &rally;
    open_ = open;
    filter_ = filter;
    draw();
}

void TrendsPage::changeEvent(QEvent* event)
{
    QWidget::changeEvent(event);
    if (event->type() == QEvent::PaletteChange && rally_ != nullptr) {
        draw(); // the chart's colours are the theme's
    }
}

void TrendsPage::draw()
{
    if (rally_ == nullptr) {
        return;
    }
    const Theme& t = theme();
    const auto figure = static_cast<log::Figure>(std::max(0, figure_->currentIndex()));
    const auto words = wordsOf(figure);
    points_ = log::trendOf(*rally_, filter_, figure);
    if (of_->currentIndex() == 0 && open_ >= 0) {
        std::erase_if(points_, [&](const auto& p) { return p.stage != static_cast<std::size_t>(open_); });
        for (std::size_t i = 0; i < points_.size(); ++i) {
            points_[i].number = static_cast<int>(i) + 1;
        }
    }
    auto* chart = new QChart;
    chart->legend()->setVisible(false);
    chart->setBackgroundBrush(t.panel);
    chart->setBackgroundRoundness(0);
    std::map<std::size_t, QLineSeries*> lines;
    double least = 0.0;
    // on time goes to all of them; of faults there are few: the step from 6 to 3 of 100 is to be seen
    double most = words.unit != tr("%") ? 0.0 : figure == log::Figure::on_time ? 100.0 : 20.0;
    for (const auto& point : points_) {
        auto*& line = lines[point.stage];
        if (line == nullptr) {
            line = new QLineSeries;
            line->setName(
                QString::fromStdString(rally_->stages[point.stage].name).toHtmlEscaped()); // as HTML
            line->setPen(QPen(t.ink, 2.0, kStrokes[(lines.size() - 1) % kStrokes.size()]));
        }
        line->append(point.number, point.value);
        least = std::min(least, point.value);
        most = std::max(most, point.value);
    }
    auto* across = new QValueAxis;
    const int count = static_cast<int>(points_.size());
    across->setRange(0.5, std::max(2, count) + 0.5);
    across->setTickType(QValueAxis::TicksDynamic);
    across->setTickAnchor(1.0);
    constexpr int kLabels = 15;
    across->setTickInterval(std::max(1, count / kLabels));
    across->setLabelFormat(QStringLiteral("%d"));
    across->setTitleText(tr("take, oldest first"));
    across->setGridLineVisible(false);
    auto* up = new QValueAxis;
    const double room = 0.08 * std::max(0.5, most - least);
    up->setRange(least < 0.0 ? least - room : 0.0, most + room);
    if (words.unit == tr("%")) {
        up->setTickType(QValueAxis::TicksDynamic);
        up->setTickInterval(most > 40.0 ? 20.0 : 5.0);
    } else {
        up->applyNiceNumbers();
    }
    up->setLabelFormat(QStringLiteral("%.%1f").arg(words.decimals));
    up->setTitleText(words.unit);
    dress(across, t);
    dress(up, t);
    chart->addAxis(across, Qt::AlignBottom);
    chart->addAxis(up, Qt::AlignLeft);
    constexpr double kDot = 11.0;
    std::map<std::size_t, QScatterSeries*> dots; // each stage by its own shape
    for (const auto& point : points_) {
        auto*& of_stage = dots[point.stage];
        if (of_stage == nullptr) {
            of_stage = new QScatterSeries;
            of_stage->setName(lines[point.stage]->name());
            of_stage->setMarkerShape(kShapes[(dots.size() - 1) % kShapes.size()]);
            of_stage->setColor(t.ink);
            of_stage->setBorderColor(t.panel);
            of_stage->setMarkerSize(kDot);
            connect(of_stage, &QScatterSeries::clicked, this, [this](const QPointF& at) {
                choose(static_cast<int>(std::lround(at.x())) - 1);
                openChosen();
            });
        }
        of_stage->append(point.number, point.value);
    }
    for (auto& [stage, line] : lines) {
        chart->addSeries(line);
        line->attachAxis(across);
        line->attachAxis(up);
    }
    for (auto& [stage, of_stage] : dots) {
        chart->addSeries(of_stage);
        of_stage->attachAxis(across);
        of_stage->attachAxis(up);
    }
    auto* lamp = new QScatterSeries;
    lamp->setObjectName(QStringLiteral("chosen"));
    lamp->setColor(t.lamp);
    lamp->setBorderColor(t.panel);
    lamp->setMarkerSize(kDot + 4.0);
    chart->addSeries(lamp);
    lamp->attachAxis(across);
    lamp->attachAxis(up);
    if (lines.size() > 1) {
        chart->legend()->setVisible(true);
        chart->legend()->setAlignment(Qt::AlignTop);
        chart->legend()->setFont(typeface(type::kSmall));
        chart->legend()->setLabelColor(t.ink);
        chart->legend()->setMarkerShape(QLegend::MarkerShapeFromSeries);
        for (auto* marker : chart->legend()->markers()) { // the shapes tell the stages apart
            marker->setVisible(
                marker->series() != lamp && qobject_cast<QScatterSeries*>(marker->series()) != nullptr);
        }
    }
    QChart* before = chart_->chart();
    chart_->setChart(chart);
    delete before;
    chart_->setBackgroundBrush(t.panel);
    choose(count - 1);
}

void TrendsPage::choose(int point)
{
    chosen_ = std::clamp(point, -1, static_cast<int>(points_.size()) - 1);
    for (auto* series : chart_->chart()->series()) {
        if (auto* lamp = qobject_cast<QScatterSeries*>(series);
            lamp != nullptr && !lamp->objectName().isEmpty()) {
            lamp->clear();
            if (chosen_ >= 0) {
                const auto& at = points_[static_cast<std::size_t>(chosen_)];
                lamp->append(at.number, at.value);
            }
        }
    }
    if (chosen_ < 0) {
        says_->setText(
            tr("There is no whole take to draw yet. Parts of a stage, and takes in which nothing was heard, "
               "are no points. Next: read the whole stage (F4)."));
        return;
    }
    const auto& at = points_[static_cast<std::size_t>(chosen_)];
    const auto& stage = rally_->stages[at.stage];
    const auto& take = stage.takes[at.take];
    const auto words = wordsOf(static_cast<log::Figure>(figure_->currentIndex()));
    says_->setText(tr("%1, %2 (%3): %4 %5 %6. Click a point, or O, to open its take.")
                       .arg(QString::fromStdString(stage.name), QString::fromStdString(take.name),
                           QString::fromStdString(take.reader), words.name,
                           QString::number(at.value, 'f', words.decimals), words.unit));
}

void TrendsPage::step(int by)
{
    if (!points_.empty()) {
        choose(std::clamp(chosen_ + by, 0, static_cast<int>(points_.size()) - 1));
    }
}

void TrendsPage::openChosen()
{
    if (chosen_ >= 0) {
        const auto& at = points_[static_cast<std::size_t>(chosen_)];
        const auto& stage = rally_->stages[at.stage];
        emit takeWanted(
            QString::fromStdString(stage.folder.string()), QString::fromStdString(stage.takes[at.take].name));
    }
}

} // namespace brumefall::app
