#include "places/pass_panel.h"

#include "widgets/clock.h"
#include "widgets/keys.h"
#include "widgets/panels.h"
#include "widgets/when_seen.h"

#include <QComboBox>
#include <QDoubleSpinBox>
#include <QFileDialog>
#include <QFileInfo>
#include <QGridLayout>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>

#include <algorithm>
#include <array>
#include <cmath>

namespace brumefall::app {
namespace {

constexpr std::array kMomentNames{"momentIn", "momentGo", "momentFinish", "momentOut"};

} // namespace

PassPanel::PassPanel(
    Document& document, Transport& transport, std::function<const media::Peaks&()> peaks, QWidget* parent)
    : QWidget(parent)
    , document_(document)
    , transport_(transport)
    , peaks_(std::move(peaks))
    , name_(new QLineEdit)
    , kind_(new QComboBox)
    , car_(new QLineEdit)
    , weather_(new QLineEdit)
    , remark_(new QLineEdit)
    , media_(new QLabel)
{
    setObjectName(QStringLiteral("passPanel"));
    name_->setObjectName(QStringLiteral("passName"));
    car_->setObjectName(QStringLiteral("passCar"));
    weather_->setObjectName(QStringLiteral("passWeather"));
    remark_->setObjectName(QStringLiteral("passRemark"));
    name_->setAccessibleName(tr("Name of the pass"));
    car_->setAccessibleName(tr("Car"));
    weather_->setAccessibleName(tr("Weather"));
    remark_->setAccessibleName(tr("Remark"));
    kind_->setObjectName(QStringLiteral("passKind"));
    kind_->addItem(tr("stage, at speed"), QStringLiteral("stage"));
    kind_->addItem(tr("recce, slow"), QStringLiteral("recce"));
    media_->setWordWrap(true);
    media_->setProperty("quiet", true);
    media_->setObjectName(QStringLiteral("passMedia"));
    auto* grid = new QGridLayout(this);
    grid->setContentsMargins(0, 0, 0, 0);
    grid->addWidget(media_, 0, 0, 1, 3);
    const std::array<QString, kMoments> names{tr("Begins"), tr("Go"), tr("Finish"), tr("Ends")};
    constexpr std::array kKeys{Qt::Key_I, Qt::Key_H, Qt::Key_F, Qt::Key_O};
    for (int m = 0; m < kMoments; ++m) {
        auto* spin = new ClockBox;
        spin->setObjectName(QString::fromLatin1(kMomentNames.at(static_cast<std::size_t>(m))));
        spin->setAccessibleName(names[static_cast<std::size_t>(m)]);
        moments_[m] = spin;
        auto* here = new QPushButton(tr("%1 here").arg(names[static_cast<std::size_t>(m)]));
        here->setFocusPolicy(Qt::TabFocus);
        bindButton(here, QKeyCombination(kKeys.at(static_cast<std::size_t>(m))));
        grid->addWidget(new QLabel(names[static_cast<std::size_t>(m)]), m + 1, 0);
        grid->addWidget(spin, m + 1, 1);
        grid->addWidget(here, m + 1, 2);
        connect(here, &QPushButton::clicked, this, [this, m] { setHere(static_cast<Moment>(m)); });
        connect(spin, &QDoubleSpinBox::valueChanged, this, [this, m](double value) {
            if (!showing_) {
                setMoment(static_cast<Moment>(m), value);
            }
        });
    }
    moments_[kFinish]->setSpecialValueText(tr("not set"));
    auto* claps = new QHBoxLayout;
    bindButton(addButton(claps, tr("Go at the clap near here"), "goAtClap", [this] { goAtClap(); }),
        QKeyCombination(Qt::Key_P));
    bindButton(addButton(claps, tr("Turn the picture"), "turnPicture", [this] { turnPicture(); }),
        QKeyCombination(Qt::Key_U));
    grid->addLayout(claps, kMoments + 1, 0, 1, 3);
    const auto row = [&](int at, const QString& name, QWidget* field) {
        grid->addWidget(new QLabel(name), at, 0);
        grid->addWidget(field, at, 1, 1, 2);
    };
    row(kMoments + 2, tr("Name"), name_);
    row(kMoments + 3, tr("Kind"), kind_);
    row(kMoments + 4, tr("Car"), car_);
    row(kMoments + 5, tr("Weather"), weather_);
    row(kMoments + 6, tr("Remember"), remark_);
    auto* buttons = new QHBoxLayout;
    addButton(buttons, tr("Find its video again\u2026"), "relink", [this] { relink(); });
    addButton(buttons, tr("Remove this pass"), "removePass", [this] {
        if (document_.pass() == nullptr) {
            return;
        }
        const auto name = QString::fromStdString(document_.pass()->name);
        document_.removePass();
        emit document_.message(
            tr("The pass \u201c%1\u201d goes into the trash; Ctrl+Z brings it back.").arg(name));
    });
    buttons->addStretch();
    grid->addLayout(buttons, kMoments + 7, 0, 1, 3);
    grid->setRowStretch(kMoments + 8, 1);
    grid->setColumnStretch(1, 1);

    connect(name_, &QLineEdit::editingFinished, this, [this] {
        if (!showing_) {
            document_.renamePass(name_->text());
            refresh();
        }
    });
    connect(kind_, &QComboBox::activated, this, &PassPanel::takeWords);
    for (auto* line : {car_, weather_, remark_}) {
        connect(line, &QLineEdit::editingFinished, this, &PassPanel::takeWords);
    }
    auto* when_seen = new WhenSeen(this, [this] { refresh(); });
    connect(&document_, &Document::passChanged, when_seen, &WhenSeen::ask);
    connect(&document_, &Document::planChanged, when_seen, &WhenSeen::ask);
}

void PassPanel::refresh()
{
    const auto* pass = document_.pass();
    setEnabled(pass != nullptr);
    if (pass == nullptr) {
        media_->setText(tr("This stage has no pass yet. Add a video."));
        return;
    }
    showing_ = true;
    media_->setText(tr("%1, %2 long. One recording may hold several stages: give each a pass of its own.")
                        .arg(QFileInfo(QString::fromStdString(pass->media.path)).fileName(),
                            clockText(pass->media.duration_s)));
    moments_[kIn]->setValue(pass->in_s);
    moments_[kGo]->setValue(pass->go_s);
    moments_[kFinish]->setValue(pass->finish_s.value_or(0.0));
    moments_[kOut]->setValue(pass->out_s);
    name_->setText(QString::fromStdString(pass->name));
    kind_->setCurrentIndex(pass->kind == "recce" ? 1 : 0);
    car_->setText(QString::fromStdString(pass->car));
    weather_->setText(QString::fromStdString(pass->weather));
    remark_->setText(QString::fromStdString(pass->remark));
    showing_ = false;
}

void PassPanel::setHere(Moment moment)
{
    setMoment(moment, transport_.player().position_s());
}

void PassPanel::setMoment(Moment moment, double media_s)
{
    if (document_.pass() == nullptr) {
        return;
    }
    auto pass = *document_.pass();
    switch (moment) {
    case kIn: pass.in_s = media_s; break;
    case kGo: pass.go_s = media_s; break;
    case kFinish: pass.finish_s = media_s > pass.go_s ? std::optional(media_s) : std::nullopt; break;
    case kOut: pass.out_s = media_s; break;
    case kMoments: return;
    }
    if (moment == kFinish && !pass.finish_s && media_s > 0.0) {
        emit document_.message(tr("The finish is not before go; it was not set."));
    }
    const std::array<QString, kMoments> names{
        tr("Set where the pass begins"), tr("Set go"), tr("Set the finish"), tr("Set where the pass ends")};
    document_.setPass(pass, names[static_cast<std::size_t>(moment)]);
}

void PassPanel::goAtClap()
{
    constexpr double kNear_s = 4.0;
    const auto at_s = media::sharpestOnset(peaks_(), transport_.player().position_s(), kNear_s);
    if (!at_s) {
        emit document_.message(tr("No clap stands out of the sound near here; go was not moved."));
        return;
    }
    setMoment(kGo, *at_s);
    transport_.seekMedia(*at_s);
}

void PassPanel::turnPicture()
{
    if (document_.pass() != nullptr) {
        auto pass = *document_.pass();
        pass.turned_deg = (pass.turned_deg + 90) % 360;
        document_.setPass(pass, tr("Turn the picture"));
    }
}

void PassPanel::takeWords()
{
    if (showing_ || document_.pass() == nullptr) {
        return;
    }
    auto pass = *document_.pass();
    pass.kind = kind_->currentData().toString().toStdString();
    pass.car = car_->text().trimmed().toStdString();
    pass.weather = weather_->text().trimmed().toStdString();
    pass.remark = remark_->text().trimmed().toStdString();
    document_.setPass(pass, tr("Describe the pass"));
}

void PassPanel::relink()
{
    if (document_.pass() == nullptr) {
        return;
    }
    const QString file =
        QFileDialog::getOpenFileName(this, tr("Find the video of this pass"), document_.folderOfFiles());
    if (!file.isEmpty()) {
        document_.relink(file);
    }
}

} // namespace brumefall::app
