#include "plan/driver_panel.h"

#include "plan/measure.h"
#include "theme/theme.h"
#include "widgets/keys.h"
#include "widgets/panels.h"
#include "widgets/when_seen.h"

#include <QComboBox>
#include <QFileDialog>
#include <QHBoxLayout>
#include <QInputDialog>
#include <QLabel>
#include <QMenu>
#include <QPushButton>
#include <QSlider>
#include <QSpinBox>
#include <QVBoxLayout>

#include <cmath>

namespace brumefall::app {

DriverPanel::DriverPanel(Document& document, QWidget* parent)
    : QWidget(parent)
    , document_(document)
    , profiles_(new QComboBox)
    , echoes_(new QComboBox)
    , line_up_(new QSpinBox)
{
    auto* layout = new QVBoxLayout(this);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(2);
    layout->addWidget(heading(tr("The driver's wishes")));
    addProfiles(layout);
    addDriverControls(layout);
    addEchoes(layout);
    layout->addSpacing(4);
    addReaderControls(layout);
    layout->addStretch();
    setFixedWidth(288);
    auto* when_seen = new WhenSeen(this, [this] { showValues(); });
    connect(&document_, &Document::planChanged, when_seen, &WhenSeen::ask);
    connect(&document_, &Document::opened, this, &DriverPanel::readDrivers);
}

void DriverPanel::addProfiles(QVBoxLayout* layout)
{
    auto* row = new QHBoxLayout;
    profiles_->setObjectName(QStringLiteral("driverProfiles"));
    profiles_->setAccessibleName(tr("Drivers"));
    keepNarrow(profiles_, 8);
    row->addWidget(profiles_, 1);
    auto* files = new QPushButton(tr("Keep"));
    files->setObjectName(QStringLiteral("driverFiles"));
    files->setFocusPolicy(Qt::TabFocus);
    auto* menu = new QMenu(files);
    const auto add = [&](const QString& text, const char* name, auto action) {
        auto* item = menu->addAction(text, this, action);
        item->setObjectName(QString::fromLatin1(name));
    };
    add(tr("Keep these wishes by name\u2026"), "saveProfile", [this] { keepAs(); });
    add(tr("Save them as a file\u2026"), "exportDriver", [this] { exportFile(); });
    add(tr("Take a driver's file\u2026"), "importDriver", [this] { importFile(); });
    files->setMenu(menu);
    row->addWidget(files);
    layout->addLayout(row);
    connect(profiles_, &QComboBox::activated, this, &DriverPanel::chooseDriver);
}

void DriverPanel::addControl(QVBoxLayout* layout, const QString& name, const char* object_name,
    const Range& range, const QString& unit, std::function<double()> get, std::function<void(double)> set)
{
    auto* label = new QLabel(name);
    auto* value = new QLabel;
    value->setAlignment(Qt::AlignRight);
    auto* slider = new QSlider(Qt::Horizontal);
    slider->setObjectName(QString::fromLatin1(object_name));
    slider->setAccessibleName(name);
    slider->setRange(static_cast<int>(std::lround(range.least / range.step)),
        static_cast<int>(std::lround(range.most / range.step)));
    label->setBuddy(slider);
    auto* row = new QHBoxLayout;
    row->addWidget(label);
    row->addWidget(value);
    layout->addLayout(row);
    layout->addWidget(slider);
    connect(slider, &QSlider::valueChanged, this,
        [set = std::move(set), step = range.step](int v) { set(v * step); });
    controls_.push_back({slider, value, std::move(get), range.step, unit});
}

void DriverPanel::addDriverControls(QVBoxLayout* layout)
{
    const auto add = [&](const QString& name, const char* object, double plan::Driver::*member,
                         const Range& range, const QString& unit) {
        addControl(
            layout, name, object, range, unit, [this, member] { return document_.stage().driver.*member; },
            [this, member, name](double v) {
                auto driver = document_.stage().driver;
                driver.*member = v;
                document_.setDriver(driver, tr("Change the wished lead: %1").arg(name));
            });
    };
    const Range lead{0.3, 6.0, 0.1};
    add(tr("Fast corners"), "leadFast", &plan::Driver::fast_s, lead, tr("s"));
    add(tr("Medium corners"), "leadMedium", &plan::Driver::medium_s, lead, tr("s"));
    add(tr("Slow corners"), "leadSlow", &plan::Driver::slow_s, lead, tr("s"));
    add(tr("Hazards"), "leadHazard", &plan::Driver::hazard_s, lead, tr("s"));
    add(tr("More for a warning"), "leadWarning", &plan::Driver::warning_s, {0.0, 3.0, 0.1}, tr("s"));
    add(tr("More where it is fast"), "leadSpeed", &plan::Driver::speed_s, {0.0, 2.0, 0.1},
        tr("s per 10 m/s"));
    controls_.back().slider->setToolTip(tr("Added for every 10 metres a second of approach speed above 15"));
    add(tr("Never less than"), "leadFloor", &plan::Driver::floor_m, {0.0, 100.0, 5.0}, tr("m"));
    add(tr("Reaction"), "reaction", &plan::Driver::reaction_s, {0.0, 1.5, 0.05}, tr("s"));
    addControl(
        layout, tr("Notes held in mind"), "holds", {1, 10, 1}, QString(),
        [this] { return static_cast<double>(document_.stage().driver.holds_notes); },
        [this](double v) {
            auto driver = document_.stage().driver;
            driver.holds_notes = static_cast<int>(std::lround(v));
            document_.setDriver(driver, tr("Change how many notes the driver holds"));
        });
}

void DriverPanel::addEchoes(QVBoxLayout* layout)
{
    auto* row = new QHBoxLayout;
    echoes_->setObjectName(QStringLiteral("echoes"));
    echoes_->setAccessibleName(tr("How often a note is said"));
    echoes_->addItems({tr("once"), tr("again if dangerous"), tr("again after 5 s"), tr("again, both")});
    keepNarrow(echoes_, 5);
    line_up_->setObjectName(QStringLiteral("lineUp"));
    line_up_->setAccessibleName(tr("Notes read on the start line"));
    line_up_->setRange(0, 12);
    line_up_->setPrefix(tr("line-up "));
    line_up_->setMinimumWidth(126);
    line_up_->setToolTip(tr("How many notes are read on the start line, before the countdown"));
    row->addWidget(new QLabel(tr("Said")));
    row->addWidget(echoes_, 1);
    row->addWidget(line_up_);
    layout->addLayout(row);
    const auto take = [this] {
        constexpr double kLongWait_s = 5.0;
        const int how = echoes_->currentIndex();
        document_.setEchoes({how == 1 || how == 3, how >= 2 ? kLongWait_s : 0.0, line_up_->value()});
    };
    connect(echoes_, &QComboBox::activated, this, take);
    connect(line_up_, &QSpinBox::valueChanged, this, take);
}

void DriverPanel::addReaderControls(QVBoxLayout* layout)
{
    auto* head = new QHBoxLayout;
    head->addWidget(heading(tr("You read")), 1);
    auto* minute = addButton(head, tr("1 min"), "calibrate", [this] { emit calibrationWanted(); });
    minute->setToolTip(tr("Measure it: read aloud for a minute"));
    bindButton(minute, QKeyCombination(Qt::Key_T));
    addButton(head, tr("Takes"), "measureReader", [this] {
        measureFromTakes();
    })->setToolTip(tr("Measure it from the takes of this stage"));
    layout->addLayout(head);
    const auto add = [&](const QString& name, const char* object, double plan::Reader::*member,
                         const Range& range, const QString& unit) {
        addControl(
            layout, name, object, range, unit, [this, member] { return document_.stage().reader.*member; },
            [this, member, name](double v) {
                auto changed = document_.stage().reader;
                changed.*member = v;
                document_.setReader(changed, tr("Change how you read: %1").arg(name));
            });
    };
    const QString rate = tr("syllables/s");
    add(tr("Rate"), "readerRate", &plan::Reader::rate_syll_s, {2.5, 9.0, 0.1}, rate);
    add(tr("Fastest"), "readerFastest", &plan::Reader::fastest_syll_s, {2.5, 10.0, 0.1}, rate);
    add(tr("Breath"), "readerBreath", &plan::Reader::breath_s, {0.1, 1.5, 0.05}, tr("s"));
    add(tr("Longest without one"), "readerRun", &plan::Reader::longest_run_s, {1.0, 12.0, 0.5}, tr("s"));
}

void DriverPanel::showValues()
{
    for (const Control& control : controls_) {
        const QSignalBlocker quiet(control.slider);
        const double v = control.get();
        const int digits = control.step < 0.1 ? 2 : control.step < 1.0 ? 1 : 0;
        control.slider->setValue(static_cast<int>(std::lround(v / control.step)));
        control.value->setText(QStringLiteral("%1 %2").arg(v, 0, 'f', digits).arg(control.unit));
    }
    const auto& echoes = document_.stage().echoes;
    const QSignalBlocker quiet(line_up_);
    echoes_->setCurrentIndex((echoes.dangerous ? 1 : 0) + (echoes.after_s > 0.0 ? 2 : 0));
    line_up_->setValue(echoes.line_up_notes);
}

void DriverPanel::readDrivers()
{
    drivers_ = loadDrivers();
    profiles_->clear();
    profiles_->addItem(tr("this stage's own wishes"));
    for (const auto& [name, driver] : drivers_) {
        profiles_->addItem(name);
        if (driver == document_.stage().driver) {
            profiles_->setCurrentIndex(profiles_->count() - 1);
        }
    }
    emit driversChanged();
}

void DriverPanel::chooseDriver(int index)
{
    if (index > 0 && static_cast<std::size_t>(index) <= drivers_.size()) {
        const auto& [name, driver] = drivers_[static_cast<std::size_t>(index) - 1];
        document_.setDriver(driver, tr("Plan for %1").arg(name));
    }
}

void DriverPanel::keepAs()
{
    bool accepted = false;
    const QString name = QInputDialog::getText(
        this, tr("Keep these wishes"), tr("The driver's name"), QLineEdit::Normal, {}, &accepted)
                             .trimmed();
    if (!accepted || name.isEmpty()) {
        return;
    }
    try {
        saveDriver(name, document_.stage().driver);
        readDrivers();
    } catch (const formats::FormatError& error) {
        document_.tell(error);
    }
}

void DriverPanel::exportFile()
{
    const QString file = QFileDialog::getSaveFileName(this, tr("The driver's wishes as a file"),
        (profiles_->currentIndex() > 0 ? profiles_->currentText() : tr("driver")) + QStringLiteral(".json"),
        tr("Drivers (*.json)"));
    if (file.isEmpty()) {
        return;
    }
    try {
        stage::writeDriver(file.toStdString(), document_.stage().driver);
        emit document_.message(tr("The driver's wishes are in %1.").arg(file));
    } catch (const formats::FormatError& error) {
        document_.tell(error);
    }
}

void DriverPanel::importFile()
{
    const QString file =
        QFileDialog::getOpenFileName(this, tr("A driver's file"), {}, tr("Drivers (*.json)"));
    if (file.isEmpty()) {
        return;
    }
    try {
        const auto [name, driver] = importDriver(file);
        document_.setDriver(driver, tr("Plan for %1").arg(name));
        readDrivers();
    } catch (const formats::FormatError& error) {
        document_.tell(error);
    }
}

void DriverPanel::measureFromTakes()
{
    std::vector<plan::MeasuredTake> measures;
    for (const auto& take : document_.takes()) {
        const auto figures = take::figures(take.plan, take.verdicts);
        measures.push_back({figures.rate_syll_s, figures.longest_run_s});
    }
    const auto measured = plan::measuredReader(document_.stage().reader, measures);
    if (!measured) {
        emit document_.message(tr("There is no take to measure from yet: read one (F4)."));
        return;
    }
    document_.setReader(*measured, tr("Measure the reader from the takes"));
    emit document_.message(tr("From %1 takes: %2 syllables a second, at most %3.")
                               .arg(measures.size())
                               .arg(measured->rate_syll_s, 0, 'f', 1)
                               .arg(measured->fastest_syll_s, 0, 'f', 1));
}

} // namespace brumefall::app
