'use client';

import { BarElement, CategoryScale, Chart, Legend, LinearScale, LineElement, PointElement, Tooltip } from 'chart.js';

Chart.defaults.font.family = "'Atkinson Hyperlegible Next Variable', sans-serif";
Chart.defaults.font.size = 13;
Chart.register(CategoryScale, LinearScale, PointElement, LineElement, BarElement, Tooltip, Legend);

/** The charts, with the parts and the type of this application set up once. */
export { Bar, Line } from 'react-chartjs-2';
